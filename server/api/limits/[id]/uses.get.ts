import { entryUses } from '../../../database/library'
import { idParam, route } from '../../../http/route'

export default route((event, db) => entryUses(db, idParam(event, 'entry')))
