import { PurchaseChangeDto } from '#shared/dto/order'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changePurchase } from '../../../service/orders'

export default route(async (event, db) => changePurchase(db, idParam(event, 'order'), await readDto(event, PurchaseChangeDto)))
