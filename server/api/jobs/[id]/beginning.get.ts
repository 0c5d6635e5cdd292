import { getQuery } from 'h3'
import { idParam, route } from '../../../http/route'
import { beginningOf } from '../../../service/new-check'

export default route((event, db) => beginningOf(db, idParam(event, 'job'), String(getQuery(event).kind ?? '')))
