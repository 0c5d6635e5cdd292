import { CancellationDto } from '#shared/dto/order'
import { taking } from '../../../http/route'
import { cancel } from '../../../service/orders'

export default taking('POST /api/orders/:id/cancellations', 'order', CancellationDto, cancel)
