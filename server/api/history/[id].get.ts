import { idParam, route } from '../../http/route'
import { historyOfThing } from '../../service/history'

export default route((event, db) => historyOfThing(db, idParam(event, 'thing')))
