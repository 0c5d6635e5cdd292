import { NewLineDto } from '#shared/dto/order'
import { taking } from '../../../http/route'
import { addLine } from '../../../service/orders'

export default taking('POST /api/orders/lines', NewLineDto, addLine)
