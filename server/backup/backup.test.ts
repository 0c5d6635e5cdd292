import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import Papa from 'papaparse'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase, type Database } from '../database/client'
import { READING_COLUMNS, readingsCsv, writeDictionary } from '../export/readings'
import type { Refused } from '../http/refuse'
import { importStock } from '../import/drawer'
import { importLibrary } from '../import/library'
import { importWorksheet } from '../import/worksheet'
import { exportJob } from '../service/export'
import { addPerson } from '../service/people'
import { addPhoto } from '../service/photos'
import { clearUnfinished, copiesFault, copiesView, copyNow, copyWhenDue, setCopies, type Copying } from './copies'
import { restoreBackup, tryRestore } from './restore'
import { LEFT_OUT, tablesOf } from './tables'
import { writeBackupFile } from './write'
import { schema, schemaUpTo } from '../database/from-source'
import { demo } from '../../tests/demo-files'
import { inLong } from '../../tests/runs'

const home = mkdtempSync(join(tmpdir(), 'finitum-backup-'))
const file = join(home, 'whole.gz')
let db: Database
let digest: string
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importLibrary(db, demo('limits.csv'))
  for (const name of ['1-mail-launch', '6-mail-launch-engine', '3-quarry-loader'])
    await importWorksheet(db, demo(`${name}.worksheet.json`), false)
  await addPerson(db, { op: 'p1', id: 'tm', name: 'Tøve “M” \\ Marl\n', initials: 'TM' })
  const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#345' } })
    .jpeg()
    .toBuffer()
  writeFileSync(join(home, 'photo.jpg'), photo)
  await addPhoto(db, { job: 'launch-engine', check: null }, { op: 'ph', caption: 'Bore two' }, join(home, 'photo.jpg'))
  digest = await writeBackupFile(db, file)
}, 60_000)
afterAll(async () => {
  await db.close()
  rmSync(home, { recursive: true })
})
const empty = () => openDatabase(undefined, schema)
const saidBy = (work: Promise<unknown>) => work.then(() => null).catch((error: Refused) => error.message)
/** The same file, with its lines changed. */
function altered(name: string, change: (lines: string[]) => string[]): string {
  const path = join(home, name)
  writeFileSync(path, gzipSync(`${change(gunzipSync(readFileSync(file)).toString('utf8').trimEnd().split('\n')).join('\n')}\n`))
  return path
}

describe('a backup', () => {
  it('holds every table there is, each after those it refers to', async () => {
    const lines = gunzipSync(readFileSync(file)).toString('utf8').trimEnd().split('\n')
    const held = lines.flatMap(line => {
      const { table } = JSON.parse(line) as { table?: string }
      return table === undefined ? [] : [table]
    })
    const all = (await db.rows<{ name: string }>("SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public'")).map(
      ({ name }) => name,
    )
    expect([...held, ...LEFT_OUT].sort()).toEqual(all.sort())
    expect((await tablesOf(db)).every(({ key }) => key !== null && key.length > 0)).toBe(true)
    expect(held.indexOf('checks')).toBeGreaterThan(held.indexOf('job'))
  })
  it('restored into an empty workshop gives the same bytes, and the same jobs', async () => {
    const other = await empty()
    await restoreBackup(other, file, schema)
    const again = join(home, 'again.gz')
    expect(await writeBackupFile(other, again)).toBe(digest)
    expect(readFileSync(again).equals(readFileSync(file))).toBe(true)
    const sheet = async (of: Database) => JSON.stringify({ ...(await exportJob(of, 'launch-engine')), written: '' })
    expect(await sheet(other)).toBe(await sheet(db))
    // What is written afterwards goes on where the counters stood, and what was signed is guarded as before.
    await importWorksheet(other, demo('2-fire-pump.worksheet.json'), false)
    await expect(other.rows('DELETE FROM sign_off')).rejects.toThrow(/never changed/)
    // A workshop in use takes none.
    expect(await saidBy(restoreBackup(other, file, schema))).toContain('This workshop is in use')
    await other.close()
  }, 60_000)
  it('cut short, altered, of a newer version, or something else, is refused and changes nothing', async () => {
    const other = await empty()
    const said = (path: string) => saidBy(restoreBackup(other, path, schema))
    const short = join(home, 'short.gz')
    writeFileSync(short, readFileSync(file).subarray(0, -4000))
    expect(await said(short)).toContain('cut short')
    expect(await said(altered('no-end.gz', lines => lines.slice(0, -1)))).toContain('cut short')
    expect(await said(altered('other.gz', lines => lines.map(line => line.replace('Reduction box', 'Reduction bok'))))).toContain('altered')
    expect(
      await said(
        altered('newer.gz', ([head, ...rest]) => [head!.replace('"0001_begin.sql"', '"0001_begin.sql","9999_later.sql"'), ...rest]),
      ),
    ).toContain('newer Finitum')
    const text = join(home, 'text.gz')
    copyFileSync(new URL('../../demo/drawer.csv', import.meta.url), text)
    expect(await said(text)).toBe('This is no backup of Finitum.')
    expect(await said(altered('json.gz', () => ['{"some":"file"}']))).toBe('This is no backup of Finitum.')
    const [left] = await other.rows<{ n: number }>('SELECT ((SELECT count(*) FROM job) + (SELECT count(*) FROM lot))::integer AS n')
    expect(left!.n).toBe(0)
    await other.close()
  }, 60_000)
  it.runIf(inLong)(
    'of an older version is brought up to date on the way',
    async () => {
      const old = await openDatabase(undefined, schemaUpTo(20))
      await old.rows("INSERT INTO unit (id, name) VALUES ('u', 'Ferry ramp')")
      await old.rows("INSERT INTO job (id, unit_id, title) VALUES ('j', 'u', 'Winch')")
      const path = join(home, 'old.gz')
      await writeBackupFile(old, path)
      await old.close()
      const other = await empty()
      await restoreBackup(other, path, schema)
      expect(await other.rows('SELECT title, stage FROM job')).toEqual([{ title: 'Winch', stage: 'in-work' }])
      await other.close()
    },
    60_000,
  )
})

/** In this thread. */
const copying: Copying = { write: to => writeBackupFile(db, to), attempt: path => tryRestore(path, schema) }

describe('copies made by themselves', () => {
  it.runIf(inLong)(
    'are tried in a quiet hour, the newest so many stay, and one a day is enough',
    async () => {
      const day = (n: number, hour = 6) => new Date(Date.UTC(2030, 0, n, hour))
      await setCopies(db, home, { folder: null, keep: 2 })
      expect(await copyWhenDue(db, home, copying, day(1))).toBe('made')
      expect((await copiesView(db, home)).copies[0]!.tested).toBeNull()
      await db.rows("INSERT INTO event (id, subject, version, what, at) VALUES ('late', 'x', 1, 'Something', $1)", [day(1, 8)])
      // Two minutes after something was written, and a quarter of an hour after.
      expect(await copyWhenDue(db, home, copying, new Date(day(1, 8).getTime() + 2 * 60_000))).toBeNull()
      expect(await copyWhenDue(db, home, copying, new Date(day(1, 8).getTime() + 15 * 60_000))).toBe('tried')
      expect(await copyWhenDue(db, home, copying, day(1, 9))).toBeNull()
      expect(await copyWhenDue(db, home, copying, day(3))).toBe('made')
      expect(await copyWhenDue(db, home, copying, day(3, 7))).toBe('tried')
      // Nothing was done since.
      expect(await copyWhenDue(db, home, copying, day(6))).toBeNull()
      await copyNow(db, home, copying, day(7))
      const { copies, folder: place } = await copyNow(db, home, copying, day(8))
      expect(copies.map(({ at, tested }) => [at, tested])).toEqual(
        [8, 7].map(n => [day(n).toISOString(), 'restored in a trial, and the same']),
      )
      expect(place).toBe(join(home, 'copies'))
      expect(readdirSync(place)).toHaveLength(4)
      writeFileSync(join(place, `${copies[0]!.name}.making`), 'half')
      await clearUnfinished(db, home)
      expect(readdirSync(place)).toHaveLength(4)
    },
    120_000,
  )
  it('go into a folder that is there and can be written to', async () => {
    expect(await saidBy(setCopies(db, home, { folder: 'copies', keep: 2 }))).toContain('The whole path')
    expect(await saidBy(setCopies(db, home, { folder: join(home, 'no-such'), keep: 2 }))).toContain('no such folder')
    expect((await setCopies(db, home, { folder: home, keep: 3 })).folder).toBe(home)
    expect((await copiesView(db, home)).keep).toBe(3)
  })
  it('are said not to be made where the disk is full, and leave nothing half made; the next one that is made takes that back', async () => {
    await setCopies(db, home, { folder: null, keep: 3 })
    const full: Copying = {
      ...copying,
      write(to) {
        writeFileSync(to, 'half of it')
        return Promise.reject(Object.assign(new Error('no space left'), { code: 'ENOSPC' }))
      },
    }
    expect(await saidBy(copyNow(db, home, full))).toContain('is full. Make room on it')
    expect(readdirSync(join(home, 'copies')).filter(name => name.endsWith('.making'))).toEqual([])
    expect(await copiesFault(db)).toContain('is full')
    await copyNow(db, home, { ...copying, attempt: () => Promise.resolve() })
    expect(await copiesFault(db)).toBeNull()
  })
  it('do not go into what is left where a stick was, and that is said', async () => {
    const stick = join(home, 'stick')
    mkdirSync(stick)
    await setCopies(db, home, { folder: stick, keep: 3 })
    expect(await copiesFault(db)).toBeNull()
    // Pulled out, an empty folder is left where it was.
    renameSync(stick, join(home, 'pulled'))
    mkdirSync(stick)
    expect(await copiesFault(db)).toContain('is not the folder that was chosen')
    expect(await saidBy(copyNow(db, home, copying))).toContain('Is its stick or disk plugged in?')
    expect(await copyWhenDue(db, home, copying, new Date('2040-01-01T00:00:00Z'))).toBeNull()
    expect(readdirSync(stick)).toEqual([])
    // Back again, it is the same one.
    rmSync(stick, { recursive: true })
    renameSync(join(home, 'pulled'), stick)
    expect(await copiesFault(db)).toBeNull()
    // Another workshop’s copies would be removed as older ones of this.
    const other = await empty()
    expect(await saidBy(setCopies(other, home, { folder: stick, keep: 1 }))).toContain('of another workshop')
    await other.close()
    await setCopies(db, home, { folder: null, keep: 3 })
  })
})

describe('all readings as CSV', () => {
  it('one row each, with those that were struck out, and a dictionary of the columns', async () => {
    let csv = ''
    for await (const part of readingsCsv(db)) csv += part
    const { data, meta } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
    const [count] = await db.rows<{ n: number }>('SELECT count(*)::integer AS n FROM reading')
    expect(data).toHaveLength(count!.n)
    expect(meta.fields).toEqual(READING_COLUMNS.map(([name]) => name))
    const [first] = await db.rows<{ id: string; far_nm: number }>(
      'SELECT id, far_nm FROM reading WHERE far_nm IS NOT NULL ORDER BY id LIMIT 1',
    )
    expect(data.find(row => row.reading_id === first!.id)).toMatchObject({ far: String(first!.far_nm), base_unit: 'nm' })
    expect(
      Papa.parse<string[]>(writeDictionary().trim())
        .data.slice(1)
        .map(([name]) => name),
    ).toEqual(meta.fields)
  })
})
