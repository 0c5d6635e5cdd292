import { keepMark, workshopId } from '../../backup/copies'
import { BACKUP_LARGEST } from '../../backup/format'
import { intoFile, withFile } from '../../backup/passing'
import { assertEmpty, takePlace } from '../../backup/restore'
import { oneRestore } from '../../backup/restoring'
import { dataFolder, tables } from '../../current'
import { takeStock } from '../../database/learn'
import { atDesk } from '../../desk/at-desk'
import { readUp } from '../../find/find'
import { listener } from '../../http/lines'
import { route } from '../../http/route'
import { log } from '../../log'

export default route(async (event, db) => {
  await assertEmpty(db)
  const { signal } = listener(event)
  return withFile(dataFolder(), path =>
    oneRestore(
      () => intoFile(event.node.req, path, BACKUP_LARGEST),
      async () => {
        const before = await workshopId(db)
        const readied = await atDesk('readied', { path, tables: await tables() }, { signal })
        await takePlace(db, readied.path)
        await keepMark(db, before)
        await takeStock(db, 0)
        // Nobody waits for the words of jobs.
        void readUp(db).catch((error: Error) => log('error', error.message))
        return { rows: readied.rows }
      },
    ),
  )
})
