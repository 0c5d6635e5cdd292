import { idParam, route } from '../../../http/route'
import { lastTime } from '../../../service/routes'

export default route(async (event, db) => ({ last: await lastTime(db, idParam(event, 'check')) }))
