import { cp, readdir, rm } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { syncPath } from './files'

/** So many copies stay; older ones are removed. */
const KEPT = 2

/** Everything written below a folder reaches the disk before anything rests on it. */
export async function syncFolder(folder: string): Promise<void> {
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) await syncFolder(path)
    else if (entry.isFile()) syncPath(path)
  }
  syncPath(folder)
}

/**
 * Copies a closed database folder beside itself; the newest two copies are kept.
 * @param why  what comes next, for its name: `0009_order`
 * @returns the folder of the copy
 */
export async function copyBeside(folder: string, why: string, now = new Date()): Promise<string> {
  const beside = `${basename(folder)}.before-`
  const stamp = now.toISOString().replace(/[:.]/g, '-')
  const copy = join(dirname(folder), `${beside}${stamp}-${why}`)
  await cp(folder, copy, { recursive: true, errorOnExist: true, force: false })
  await syncFolder(copy)
  syncPath(dirname(folder))
  const copies = (await readdir(dirname(folder))).filter(name => name.startsWith(beside)).sort()
  for (const old of copies.slice(0, -KEPT)) await rm(join(dirname(folder), old), { recursive: true })
  return copy
}
