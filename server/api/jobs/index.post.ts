import { NewJobDto } from '#shared/dto/job'
import { taking } from '../../http/route'
import { createJob } from '../../service/jobs'

export default taking('POST /api/jobs', NewJobDto, createJob)
