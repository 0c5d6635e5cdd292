import { CommandDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { putBack } from '../../../service/orders'

export default taking('POST /api/orders/:id/back', 'order', CommandDto, putBack)
