import { idParam, route } from '../../../http/route'
import { jobSummary } from '../../../service/jobs'

export default route((event, db) => jobSummary(db, idParam(event, 'job')))
