import { setHeader } from 'h3'
import { idParam, route } from '../../../http/route'
import { exportJob } from '../../../service/export'

export default route(async (event, db) => {
  const worksheet = await exportJob(db, idParam(event, 'job'))
  const name =
    worksheet.jobs[0]!.unit.name.toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job'
  setHeader(event, 'content-disposition', `attachment; filename="${name}.worksheet.json"`)
  return worksheet
})
