import { ReceiptDto } from '#shared/dto/order'
import { taking } from '../../../http/route'
import { receive } from '../../../service/orders'

export default taking('POST /api/orders/:id/receipts', 'order', ReceiptDto, receive)
