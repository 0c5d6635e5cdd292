import { idParam, route } from '../../../http/route'
import { gaugeRecord } from '../../../service/gauges'

export default route((event, db) => gaugeRecord(db, idParam(event, 'gauge')))
