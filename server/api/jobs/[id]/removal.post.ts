import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removeJob } from '../../../service/removal'

export default taking('POST /api/jobs/:id/removal', 'job', RemovalDto, removeJob)
