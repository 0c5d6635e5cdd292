import { allGauges } from '../../database/gauges'
import { route } from '../../http/route'

export default route((_event, db) => allGauges(db))
