import { idParam, route } from '../../../http/route'
import { checkView } from '../../../service/check-view'

export default route((event, db) => checkView(db, idParam(event, 'check')))
