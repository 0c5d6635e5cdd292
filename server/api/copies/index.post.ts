import { copyNow } from '../../backup/copies'
import { dataFolder, tables } from '../../current'
import { copyingAtDesk } from '../../desk/copying'
import { route } from '../../http/route'

export default route((_event, db) => copyNow(db, dataFolder(), copyingAtDesk(db, dataFolder(), tables)))
