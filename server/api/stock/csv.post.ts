import { readText } from '../../http/body'
import { listener } from '../../http/lines'
import { route } from '../../http/route'
import { CSV_LARGEST } from '../../import/csv'
import { importStock } from '../../import/drawer'

export default route(async (event, db) => importStock(db, await readText(event, CSV_LARGEST), listener(event)))
