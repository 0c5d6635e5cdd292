import { idParam, route } from '../../../http/route'
import { jobView } from '../../../service/jobs'

export default route((event, db) => jobView(db, idParam(event, 'job')))
