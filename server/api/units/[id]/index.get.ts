import { idParam, route } from '../../../http/route'
import { unitView } from '../../../service/units'

export default route((event, db) => unitView(db, idParam(event, 'unit')))
