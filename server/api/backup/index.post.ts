import { BACKUP_LARGEST } from '../../backup/format'
import { intoFile, withFile } from '../../backup/passing'
import { assertEmpty, restoreBackup } from '../../backup/restore'
import { dataFolder, schema } from '../../current'
import { route } from '../../http/route'

export default route(async (event, db) => {
  await assertEmpty(db)
  return withFile(dataFolder(), async path => {
    await intoFile(event.node.req, path, BACKUP_LARGEST)
    return restoreBackup(db, path, await schema())
  })
})
