import { idParam, route } from '../../../http/route'
import { historyOf } from '../../../service/history'

export default route((event, db) => historyOf(db, idParam(event, 'job')))
