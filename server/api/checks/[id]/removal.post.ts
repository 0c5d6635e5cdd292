import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removeCheck } from '../../../service/removal'

export default taking('POST /api/checks/:id/removal', 'check', RemovalDto, removeCheck)
