import { NewJobDto } from '#shared/dto/job'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { createJob } from '../../service/jobs'

export default route(async (event, db) => createJob(db, await readDto(event, NewJobDto)))
