import { jobSummaries } from '../../database/jobs'
import { route } from '../../http/route'

export default route((_event, db) => jobSummaries(db))
