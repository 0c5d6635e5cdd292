import { copyNow } from '../../backup/copies'
import { dataFolder, schema } from '../../current'
import { route } from '../../http/route'

export default route(async (_event, db) => copyNow(db, dataFolder(), await schema()))
