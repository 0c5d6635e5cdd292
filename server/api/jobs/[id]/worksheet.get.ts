import { setHeader } from 'h3'
import { idParam, route } from '../../../http/route'
import { exportJob } from '../../../service/worksheet'

export default route(async (event, db) => {
  const worksheet = await exportJob(db, idParam(event, 'job'))
  setHeader(event, 'content-disposition', 'attachment; filename="worksheet.json"')
  return worksheet
})
