import { OrderListDto } from '#shared/dto/order'
import { readQuery } from '../../http/body'
import { route } from '../../http/route'
import { ordersView } from '../../service/orders'

/** What is to be ordered, on its way and newly here; with `order`, that one besides. */
export default route(async (event, db) => ordersView(db, (await readQuery(event, OrderListDto)).order))
