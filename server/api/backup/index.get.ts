import { dataFolder, tables } from '../../current'
import { withSnapshot } from '../../database/snapshot'
import { atDesk } from '../../desk/at-desk'
import { makingFile } from '../../http/made'

export default makingFile(async (_event, db, to, listener) => {
  await withSnapshot(db, dataFolder(), async folder => atDesk('backup', { folder, tables: await tables(), to }, listener))
  return { name: `finitum-${new Date().toISOString().slice(0, 10)}.backup.gz`, type: 'application/gzip' }
})
