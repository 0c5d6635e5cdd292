import { ReportQueryDto } from '#shared/dto/report'
import { readQuery } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { reportOf } from '../../../service/report'

export default route(async (event, db) => {
  const { length = 'page', check = null } = await readQuery(event, ReportQueryDto)
  return reportOf(db, idParam(event, 'job'), { length, check })
})
