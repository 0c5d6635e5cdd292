import { copiesView } from '../../backup/copies'
import { dataFolder } from '../../current'
import { route } from '../../http/route'

export default route((_event, db) => copiesView(db, dataFolder()))
