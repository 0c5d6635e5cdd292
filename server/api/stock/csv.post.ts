import { readText } from '../../http/body'
import { route } from '../../http/route'
import { CSV_LARGEST, importStock } from '../../service/stock-csv'

export default route(async (event, db) => importStock(db, await readText(event, CSV_LARGEST)))
