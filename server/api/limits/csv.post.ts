import { readText } from '../../http/body'
import { route } from '../../http/route'
import { CSV_LARGEST } from '../../import/csv'
import { importLibrary } from '../../import/library'

export default route(async (event, db) => importLibrary(db, await readText(event, CSV_LARGEST)))
