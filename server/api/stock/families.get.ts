import { families } from '../../database/uses'
import { route } from '../../http/route'

export default route((_event, db) => families(db))
