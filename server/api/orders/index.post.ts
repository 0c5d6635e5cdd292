import { NewPurchaseDto } from '#shared/dto/order'
import { taking } from '../../http/route'
import { order } from '../../service/orders'

export default taking('POST /api/orders', NewPurchaseDto, order)
