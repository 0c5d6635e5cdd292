import { cp, mkdtemp, rm } from 'node:fs/promises'
import { basename, join } from 'node:path'
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
    await db.still((folder, oldestLog) =>
      cp(folder, copy, { recursive: true, filter: path => basename(path) !== 'postmaster.pid' && !isOldLog(path, oldestLog) }),
    )
    return await work(copy)
  } finally {
    await rm(place, { recursive: true, force: true })
  }
}

/** Of the log, only what was written since the tables were is needed. */
const isOldLog = (path: string, oldest: string): boolean => /^[0-9A-F]{24}$/.test(basename(path)) && basename(path) < oldest
