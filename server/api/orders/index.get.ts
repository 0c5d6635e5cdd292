import { route } from '../../http/route'
import { ordersView } from '../../service/orders'

export default route((_event, db) => ordersView(db))
