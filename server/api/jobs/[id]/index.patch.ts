import { JobChangeDto } from '#shared/dto/job'
import { taking } from '../../../http/route'
import { changeJob } from '../../../service/jobs'

export default taking('PATCH /api/jobs/:id', 'job', JobChangeDto, changeJob)
