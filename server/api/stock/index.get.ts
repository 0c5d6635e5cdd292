import { route } from '../../http/route'
import { stockView } from '../../service/stock'

export default route((_event, db) => db.reading(stockView))
