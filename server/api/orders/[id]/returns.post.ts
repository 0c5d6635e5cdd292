import { ReceiptBackDto } from '#shared/dto/order'
import { taking } from '../../../http/route'
import { takeBack } from '../../../service/orders'

export default taking('POST /api/orders/:id/returns', 'order', ReceiptBackDto, takeBack)
