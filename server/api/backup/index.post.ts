import { keepMark, workshopId } from '../../backup/copies'
import { BACKUP_LARGEST } from '../../backup/format'
import { intoFile, withFile } from '../../backup/passing'
import { assertEmpty, restoreBackup } from '../../backup/restore'
import { oneRestore } from '../../backup/restoring'
import { dataFolder, schema } from '../../current'
import { takeStock } from '../../database/learn'
import { listener } from '../../http/lines'
import { route } from '../../http/route'

export default route(async (event, db) => {
  await assertEmpty(db)
  const { signal } = listener(event)
  return withFile(dataFolder(), path =>
    oneRestore(
      () => intoFile(event.node.req, path, BACKUP_LARGEST),
      async () => {
        const before = await workshopId(db)
        const { rows } = await restoreBackup(db, path, await schema(), signal)
        await keepMark(db, before)
        await takeStock(db, true)
        return { rows }
      },
    ),
  )
})
