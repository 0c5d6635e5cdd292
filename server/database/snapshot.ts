import { copyFile, mkdir, mkdtemp, readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Database } from './client'

/**
 * A copy of the database’s folder as it was at one moment, for as long as the work with it takes: whoever wants to write waits while
 * the files are copied, and no longer.
 * @param beside  a folder on the same disk
 */
export async function withSnapshot<Result>(db: Database, beside: string, work: (folder: string) => Promise<Result>): Promise<Result> {
  const place = await mkdtemp(join(beside, 'passing-'))
  try {
    const copy = join(place, 'database')
    await db.still((folder, oldestLog) => copyFolder(folder, copy, name => name !== 'postmaster.pid' && !isOldLog(name, oldestLog)))
    return await work(copy)
  } finally {
    await rm(place, { recursive: true, force: true })
  }
}

/** All files at once, as many as the system takes: one after the other takes ten times as long. */
async function copyFolder(from: string, to: string, wanted: (name: string) => boolean): Promise<void> {
  await mkdir(to, { mode: 0o700 })
  const entries = await readdir(from, { withFileTypes: true })
  await Promise.all(
    entries
      .filter(({ name }) => wanted(name))
      .map(entry => {
        const [source, target] = [join(from, entry.name), join(to, entry.name)]
        return entry.isDirectory() ? copyFolder(source, target, wanted) : copyFile(source, target)
      }),
  )
}

/** Of the log, only what was written since the tables were is needed. */
const isOldLog = (name: string, oldest: string): boolean => /^[0-9A-F]{24}$/.test(name) && name < oldest
