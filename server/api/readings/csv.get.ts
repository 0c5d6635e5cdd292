import { dataFolder, tables } from '../../current'
import { withSnapshot } from '../../database/snapshot'
import { atDesk } from '../../desk/at-desk'
import { makingFile } from '../../http/made'

export default makingFile(async (_event, db, to, listener) => {
  await withSnapshot(db, dataFolder(), async folder => atDesk('readings', { folder, tables: await tables(), to }, listener))
  return { name: 'readings.csv', type: 'text/csv; charset=utf-8' }
})
