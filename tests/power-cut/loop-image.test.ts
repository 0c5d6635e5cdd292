import { execFileSync } from 'node:child_process'
import { copyFileSync, constants, mkdirSync, mkdtempSync, rmSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../server/database/client'
import { schema } from '../../server/database/from-source'

const CUTS = Number(process.env.LOOP_CUTS ?? 1)
const home = mkdtempSync(join(tmpdir(), 'finitum-loop-'))
const [image, copy, disk, after] = ['disk.img', 'copy.img', 'disk', 'after'].map(name => join(home, name)) as [
  string,
  string,
  string,
  string,
]
const mounted = new Set<string>()
function mount(file: string, at: string): void {
  execFileSync('mount', ['-o', 'loop', file, at], { stdio: 'pipe' })
  mounted.add(at)
}
function unmount(at: string): void {
  execFileSync('umount', [at], { stdio: 'pipe' })
  mounted.delete(at)
}
afterAll(() => {
  for (const at of mounted) unmount(at)
  rmSync(home, { recursive: true, force: true })
})

/** Why there is no disk of its own here; null: there is one. */
function noDisk(): string | null {
  try {
    mkdirSync(disk)
    mkdirSync(after)
    writeFileSync(image, '')
    truncateSync(image, 256 * 1024 * 1024)
    execFileSync('mkfs.ext4', ['-q', image], { stdio: 'pipe' })
    mount(image, disk)
    return null
  } catch (error) {
    return (error as Error).message.split('\n')[0]!
  }
}
const why = noDisk()
if (why) process.stdout.write(`The power cut on a real file system was not run: ${why}\n`)

describe.skipIf(why)('an ext4 disk copied while it is in use, with nothing written out', () => {
  it(
    `${CUTS} times: every write that was answered is on the copy, and the database opens there`,
    async () => {
      const db = await openDatabase(join(disk, 'database'), schema)
      try {
        for (let cut = 1; cut <= CUTS; cut++) {
          for (let i = 0; i < 40; i++) {
            const id = `${cut}-${i}`
            await db.transaction(sql => sql.rows('INSERT INTO unit (id, name) VALUES ($1, $2)', [id, `Unit ${id}`]))
          }
          copyFileSync(image, copy, constants.COPYFILE_FICLONE)
          mount(copy, after)
          const opened = await openDatabase(join(after, 'database'), schema)
          const there = await opened.rows("SELECT id FROM unit WHERE name LIKE 'Unit %-%'")
          await opened.close()
          unmount(after)
          expect(there).toHaveLength(40 * cut)
        }
      } finally {
        await db.close()
        unmount(disk)
      }
    },
    120_000 + CUTS * 30_000,
  )
})
