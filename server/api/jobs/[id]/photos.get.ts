import { photosOfJob } from '../../../database/photos'
import { idParam, route } from '../../../http/route'

export default route((event, db) => photosOfJob(db, idParam(event, 'job')))
