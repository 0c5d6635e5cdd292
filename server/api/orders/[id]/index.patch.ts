import { PurchaseChangeDto } from '#shared/dto/order'
import { taking } from '../../../http/route'
import { changePurchase } from '../../../service/orders'

export default taking('PATCH /api/orders/:id', 'order', PurchaseChangeDto, changePurchase)
