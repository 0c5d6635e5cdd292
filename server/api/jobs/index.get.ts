import { JobQueryDto } from '#shared/dto/job'
import { jobList } from '../../database/book'
import { readQuery } from '../../http/body'
import { route } from '../../http/route'

export default route(async (event, db) => {
  const query = await readQuery(event, JobQueryDto)
  return db.reading(sql => jobList(sql, query))
})
