import { copiesView } from '../../backup/copies'
import { dataFolder } from '../../database/current'
import { route } from '../../http/route'

export default route((_event, db) => copiesView(db, dataFolder()))
