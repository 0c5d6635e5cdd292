import { JobChangeDto } from '#shared/dto/job'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changeJob } from '../../../service/jobs'

export default route(async (event, db) => changeJob(db, idParam(event, 'job'), await readDto(event, JobChangeDto)))
