import { NewPurchaseDto } from '#shared/dto/order'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { order } from '../../service/orders'

export default route(async (event, db) => order(db, await readDto(event, NewPurchaseDto)))
