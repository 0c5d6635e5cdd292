import { allRoutes } from '../../database/routes'
import { route } from '../../http/route'

export default route((_event, db) => allRoutes(db))
