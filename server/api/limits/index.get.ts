import { allEntries } from '../../database/library'
import { route } from '../../http/route'

export default route((_event, db) => allEntries(db))
