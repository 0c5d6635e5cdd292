import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setImmediate as breathe } from 'node:timers/promises'
import { gunzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { writeBackupFile } from '../backup/write'
import { openDatabase, type Database } from '../database/client'
import { NONE } from '../database/prepared'
import { schema, schemaUpTo } from '../database/from-source'
import { withSnapshot } from '../database/snapshot'
import { Gone } from '../http/refuse'
import { addPerson } from '../service/people'
import { importWorksheet } from '../import/worksheet'
import { demo } from '../../tests/demo-files'
import { inLong } from '../../tests/runs'
import { atDesk, closeDesk } from './at-desk'
import type { Tables } from './jobs'

const home = mkdtempSync(join(tmpdir(), 'finitum-desk-'))
let db: Database
let tables: Tables
beforeAll(async () => {
  const { migrations, prepared } = schema
  tables = { migrations, packed: (await prepared!(migrations))!, bare: (await prepared!(NONE))! }
  db = await openDatabase(join(home, 'database'), schema, { say: () => undefined })
  await importWorksheet(db, demo('2-fire-pump.worksheet.json'), false)
}, 60_000)
afterAll(async () => {
  await closeDesk()
  await db.close()
  rmSync(home, { recursive: true })
})
const people = (of: Database) => of.rows<{ id: string }>('SELECT id FROM person ORDER BY id')
const person = (id: string) => addPerson(db, { op: id, id, name: `Name ${id}`, initials: id.toUpperCase() })
/** Lets everything go on that can. */
const settle = () => new Promise(resolve => setTimeout(resolve, 300))

describe('the files of a database that stand still', () => {
  it('hold what was written, and nothing of what is written meanwhile; who reads is answered, who writes waits no longer than that', async () => {
    await person('a1')
    let written = false
    let release!: () => void
    const held = new Promise<void>(resolve => (release = resolve))
    const still = db.still(async folder => {
      expect(readdirSync(folder)).toContain('global')
      await held
    })
    await settle()
    const writing = person('b2').then(() => (written = true))
    await settle()
    expect([written, (await people(db)).map(({ id }) => id)]).toEqual([false, ['a1']])
    release()
    await Promise.all([still, writing])
    expect((await people(db)).map(({ id }) => id)).toEqual(['a1', 'b2'])
  })
  it('give a copy that is whole, as it was at one moment, while others go on writing', async () => {
    let writing = true
    const busy = (async () => {
      for (let n = 0; writing; n++) {
        await person(`w${n}`)
        // The database answers without the loop having turned.
        await breathe()
      }
    })()
    const to = join(home, 'meanwhile.gz')
    await withSnapshot(db, home, async folder => {
      const before = (await people(db)).length
      await atDesk('backup', { folder, tables, to })
      expect((await people(db)).length).toBeGreaterThan(before)
    })
    writing = false
    await busy
    // Read to its end, restored, and written again the same.
    await atDesk('trial', { path: to, tables })
    const held = gunzipSync(readFileSync(to))
      .toString('utf8')
      .split('\n')
      .filter(line => line.includes('"initials":"W'))
    const names = held.map(line => Number(/"id":"w(\d+)"/.exec(line)![1])).sort((a, b) => a - b)
    // One moment: nothing that came later without all that came before.
    expect(names).toEqual(names.map((_, i) => i))
    expect(readdirSync(home).filter(name => name.startsWith('passing-'))).toEqual([])
  })
})

describe('the desk', () => {
  it('writes the backup that this thread would write', async () => {
    const [here, there] = [join(home, 'here.gz'), join(home, 'there.gz')]
    const digest = await writeBackupFile(db, here)
    expect(await withSnapshot(db, home, folder => atDesk('backup', { folder, tables, to: there }))).toBe(digest)
    expect(readFileSync(there).equals(readFileSync(here))).toBe(true)
  })
  it('says how far it is, and one job comes after the other', async () => {
    const ended: string[] = []
    const heard: number[] = []
    const to = (name: string) => join(home, `${name}.csv`)
    await withSnapshot(db, home, async folder => {
      const one = atDesk('readings', { folder, tables, to: to('one') }, { said: ({ done, of }) => heard.push(done / of) }).then(() =>
        ended.push('one'),
      )
      // On the same copy at the same time it could not be opened.
      const two = atDesk('readings', { folder, tables, to: to('two') }).then(() => ended.push('two'))
      await Promise.all([one, two])
    })
    expect(ended).toEqual(['one', 'two'])
    expect(heard.at(-1)).toBe(1)
    expect(readFileSync(to('one'), 'utf8')).toBe(readFileSync(to('two'), 'utf8'))
    expect(readFileSync(to('one'), 'utf8').split('\n').length).toBeGreaterThan(5)
  })
  it('leaves off when whoever asked has gone, and does the next job', async () => {
    const gone = new AbortController()
    const path = join(home, 'meanwhile.gz')
    const first = atDesk('trial', { path, tables }, { signal: gone.signal })
    const second = atDesk('trial', { path, tables })
    setTimeout(() => gone.abort(), 100)
    await expect(first).rejects.toBeInstanceOf(Gone)
    await second
    // Gone before its turn came, it is not begun.
    await expect(atDesk('trial', { path: join(home, 'none'), tables }, { signal: gone.signal })).rejects.toBeInstanceOf(Gone)
  })
  it('refuses with the sentence and the status of whatever refuses, and gives faults their code', async () => {
    const path = join(home, 'text.gz')
    writeFileSync(path, 'no backup')
    await expect(atDesk('readied', { path, tables })).rejects.toMatchObject({ status: 422, message: 'This is no backup of Finitum.' })
    mkdirSync(join(home, 'full'))
    await expect(
      withSnapshot(db, home, folder => atDesk('backup', { folder, tables, to: join(home, 'no/such/folder') })),
    ).rejects.toMatchObject({ code: 'ENOENT' })
  })
  it.runIf(inLong)('brings an older backup up to date', async () => {
    const old = await openDatabase(undefined, schemaUpTo(20))
    await old.rows("INSERT INTO unit (id, name) VALUES ('u', 'Ferry ramp')")
    await old.rows("INSERT INTO job (id, unit_id, title) VALUES ('j', 'u', 'Winch')")
    const path = join(home, 'old.gz')
    await writeBackupFile(old, path)
    await old.close()
    const { path: newer } = await atDesk('readied', { path, tables })
    expect(gunzipSync(readFileSync(newer)).toString('utf8')).toContain('"stage":"in-work"')
  })
})
