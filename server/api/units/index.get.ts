import { allUnits } from '../../database/units'
import { route } from '../../http/route'

export default route((_event, db) => allUnits(db))
