import { PartChangeDto } from '#shared/dto/job'
import { taking } from '../../../http/route'
import { replacePart } from '../../../service/part-change'

export default taking('POST /api/jobs/:id/part-changes', 'job', PartChangeDto, replacePart)
