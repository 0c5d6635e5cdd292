import { setHeader } from 'h3'
import { fileName } from '../../../http/file-name'
import { idParam, route } from '../../../http/route'
import { exportJob } from '../../../service/export'

export default route(async (event, db) => {
  const worksheet = await exportJob(db, idParam(event, 'job'))
  setHeader(event, 'content-disposition', `attachment; filename="${fileName(worksheet.jobs[0]!.unit.name)}.worksheet.json"`)
  return worksheet
})
