import { NewCheckDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { createCheck } from '../../../service/new-check'

export default taking('POST /api/jobs/:id/checks', 'job', NewCheckDto, createCheck)
