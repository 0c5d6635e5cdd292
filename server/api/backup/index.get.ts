import { createReadStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { setHeader } from 'h3'
import { writeBackupFile } from '../../backup/write'
import { dataFolder } from '../../current'
import { route } from '../../http/route'

export default route(async (event, db) => {
  const place = await mkdtemp(join(dataFolder(), 'passing-'))
  const path = join(place, 'backup.gz')
  const gone = () => rm(place, { recursive: true, force: true })
  await writeBackupFile(db, path).catch(async (error: unknown) => {
    await gone()
    throw error
  })
  setHeader(event, 'content-type', 'application/gzip')
  setHeader(event, 'content-disposition', `attachment; filename="finitum-${new Date().toISOString().slice(0, 10)}.backup.gz"`)
  // It is whole before the first byte is sent, so that a slow line holds nobody up.
  return createReadStream(path).on('close', () => void gone())
})
