import { idParam, route } from '../../../http/route'
import { trendsOfUnit } from '../../../service/trends'

export default route((event, db) => trendsOfUnit(db, idParam(event, 'unit')))
