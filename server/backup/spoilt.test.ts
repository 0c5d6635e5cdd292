import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase, type Database } from '../database/client'
import { schema } from '../database/from-source'
import type { Refused } from '../http/refuse'
import { importWorksheet } from '../import/worksheet'
import { addPerson } from '../service/people'
import { demo } from '../../tests/demo-files'
import { restoreBackup } from './restore'
import { againstWriting, oneRestore } from './restoring'
import { writeBackupFile } from './write'

const home = mkdtempSync(join(tmpdir(), 'finitum-spoilt-'))
let lines: string[]
let db: Database
beforeAll(async () => {
  const full = await openDatabase(undefined, schema)
  await importWorksheet(full, demo('2-fire-pump.worksheet.json'), false)
  await writeBackupFile(full, join(home, 'whole.gz'))
  await full.close()
  lines = gunzipSync(readFileSync(join(home, 'whole.gz')))
    .toString('utf8')
    .trimEnd()
    .split('\n')
  db = await openDatabase(undefined, schema)
}, 60_000)
afterAll(async () => {
  await db.close()
  rmSync(home, { recursive: true })
})

/** What the restore of these lines says, with an end that fits them: somebody spoilt the file and sealed it again. */
async function saidOf(spoilt: readonly string[], end: object = {}): Promise<{ status: number; said: string }> {
  const text = spoilt.map(line => `${line}\n`).join('')
  const sha256 = createHash('sha256').update(text).digest('hex')
  const rows = spoilt.reduce((sum, line) => sum + ((JSON.parse(line) as { table?: string; rows?: number }).rows ?? 0), 0)
  const path = join(home, 'spoilt.gz')
  writeFileSync(path, gzipSync(`${text}${JSON.stringify({ end: true, rows, sha256, ...end })}\n`))
  return restoreBackup(db, path, schema).then(
    () => ({ status: 200, said: '' }),
    (error: Refused) => ({ status: error.status, said: error.message }),
  )
}
const body = () => lines.slice(0, -1)
const at = (start: string) => lines.findIndex(line => line.startsWith(start))
/** The body with one line made another: so many after that one. */
const with_ = (start: string, after: number, change: (line: string) => string) =>
  body().map((line, i) => (i === at(start) + after ? otherThan(line, change(line)) : line))
function otherThan(line: string, changed: string): string {
  expect(changed).not.toBe(line)
  return changed
}
const head = () => JSON.parse(lines[0]!) as { migrations: string[] }
const withMigrations = (migrations: unknown) => [JSON.stringify({ ...head(), migrations }), ...body().slice(1)]
const counters = () => (JSON.parse(lines.at(-2)!) as { counters: Record<string, number> }).counters
const withCounters = (change: object) => [...body().slice(0, -1), JSON.stringify({ counters: { ...counters(), ...change } })]

describe('a backup that was spoilt and sealed again', () => {
  it.each<[string, () => Promise<{ status: number; said: string }>, RegExp]>([
    ['a head alone', () => saidOf([lines[0]!]), /its counters are missing/],
    ['fewer rows than it says', () => saidOf(body(), { rows: 3 }), /counts 3 rows and holds \d+/],
    [
      'rows that are no number',
      () => saidOf(with_('{"table":"job"', 0, line => line.replace(/"rows":\d+/, '"rows":"1"'))),
      /a line of it is none/,
    ],
    ['a row that is none', () => saidOf(with_('{"table":"job"', 1, () => '[]')), /a row of the table job is none/],
    ['a row without its columns', () => saidOf(with_('{"table":"job"', 1, () => '{}')), /a row of the table job is none/],
    [
      'a row twice',
      () =>
        saidOf(
          body().flatMap((line, i) =>
            i === at('{"table":"reading"')
              ? [line.replace(/"rows":(\d+)/, (_, n) => `"rows":${Number(n) + 1}`)]
              : i === at('{"table":"reading"') + 1
                ? [line, line]
                : [line],
          ),
        ),
      /is there twice/,
    ],
    [
      'a figure that is text',
      () => saidOf(with_('{"table":"reading"', 1, line => line.replace(/"seq":\d+/, '"seq":"two"'))),
      /a row of the table reading does not fit it/,
    ],
    [
      'a row that names nothing',
      () => saidOf(with_('{"table":"reading"', 1, line => line.replace(/"series_id":\d+/, '"series_id":987654'))),
      /table reading does not fit it|not there/,
    ],
    ['a table it does not know', () => saidOf(with_('{"table":"job"', 0, line => line.replace('"job"', '"jobs"'))), /does not know/],
    ['a table twice', () => saidOf([...body().slice(0, -1), ...body().slice(1)]), /is there twice/],
    ['a table left out', () => saidOf(body().filter((_, i) => i !== at('{"table":"person"'))), /the table person is missing/],
    [
      'no workshop',
      () =>
        saidOf(
          body().flatMap((line, i) =>
            i === at('{"table":"workshop"') ? [line.replace('"rows":1', '"rows":0')] : i === at('{"table":"workshop"') + 1 ? [] : [line],
          ),
        ),
      /There is one workshop; here are 0/,
    ],
    ['a counter below what it counted', () => saidOf(withCounters({ happening: 1 })), /its counter stands too low/],
    ['a counter of nothing', () => saidOf(withCounters({ 'no such': 5 })), /its counter no such cannot be set/],
    ['a counter at no number', () => saidOf(withCounters({ happening: -4 })), /a counter stands at what is no number/],
    ['no steps', () => saidOf(withMigrations([])), /do not follow each other/],
    ['a step left out', () => saidOf(withMigrations(head().migrations.filter((_, i) => i !== 3))), /do not follow each other/],
    ['a step of tomorrow', () => saidOf(withMigrations([...head().migrations, '9999_later.sql'])), /newer Finitum/],
    ['steps that are no names', () => saidOf(withMigrations([1, 2])), /no backup/],
    ['something after the counters', () => saidOf([...body(), '{"more":1}']), /nothing but its end/],
  ])('with %s is refused with a sentence', async (_what, restored, said) => {
    const answer = await restored()
    expect(answer).toEqual({ status: 422, said: expect.stringMatching(said) as string })
    expect(await db.rows('SELECT 1 FROM job')).toEqual([])
  })
  it('that unfolds to far more than any, or has a line longer than any, is put down at once', async () => {
    const path = join(home, 'folded.gz')
    // 40 MB of one row in 40 kB.
    writeFileSync(
      path,
      gzipSync(
        Buffer.concat([Buffer.from(`${lines[0]}\n{"table":"job","columns":["id"],"rows":9000000}\n{"id":"`), Buffer.alloc(40e6, 97)]),
      ),
    )
    await expect(restoreBackup(db, path, schema)).rejects.toThrow(/a line of it is longer/)
    const empty = Buffer.alloc(30e6, 10)
    writeFileSync(path, gzipSync(Buffer.concat([Buffer.from(`${lines[0]}\n`), empty])))
    await expect(restoreBackup(db, path, schema)).rejects.toThrow(/a line of it is none/)
  })
})

describe('while a backup is restored', () => {
  const file = () => join(home, 'whole.gz')
  it('nobody writes, and nobody restores another; before and after, both can', async () => {
    const said: (string | undefined)[] = []
    const look = () => said.push(againstWriting()?.message)
    look()
    await oneRestore(
      async () => {
        look()
        await expect(
          oneRestore(
            () => Promise.resolve(),
            () => Promise.resolve(),
          ),
        ).rejects.toThrow('already')
      },
      async () => {
        look()
        return Promise.resolve()
      },
    )
    look()
    expect(said).toEqual([undefined, undefined, expect.stringContaining('being restored'), undefined])
  })
  it('what was entered while its file was read stays, and the restore is refused', async () => {
    const other = await openDatabase(undefined, schema)
    // It lands between the first look and the last.
    const rows = other.rows.bind(other)
    let entered = false
    const slow: Database = {
      ...other,
      async transaction(work) {
        if (!entered) {
          entered = true
          await addPerson(other, { op: 'p', id: 'p', name: 'Tarn Veld', initials: 'TV' })
        }
        return other.transaction(work)
      },
    }
    await expect(restoreBackup(slow, file(), schema)).rejects.toThrow('This workshop is in use')
    expect(await rows('SELECT name FROM person')).toEqual([{ name: 'Tarn Veld' }])
    await other.close()
  })
  it('the folder for copies stays the one of this machine', async () => {
    const other = await openDatabase(undefined, schema)
    await other.rows("UPDATE workshop SET copies_folder = '/media/stick'")
    await restoreBackup(other, file(), schema)
    const [{ folder }] = (await other.rows<{ folder: string }>('SELECT copies_folder AS folder FROM workshop')) as [{ folder: string }]
    expect(folder).toBe('/media/stick')
    // As another version wrote it, with a folder of its own.
    const theirs = with_('{"table":"workshop"', 0, line => line.replace('"copies_keep"', '"copies_folder","copies_keep"')).map(line =>
      line.includes('"begun_at"') && !line.includes('"table"')
        ? line.replace('"copies_keep"', '"copies_folder":"/theirs","copies_keep"')
        : line,
    )
    expect(theirs.join()).toContain('/theirs')
    await other.close()
    expect(await saidOf(theirs)).toEqual({ status: 200, said: '' })
    expect(await db.rows('SELECT copies_folder AS folder FROM workshop')).toEqual([{ folder: null }])
  })
})
