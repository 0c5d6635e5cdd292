// What it costs that an answered write is on the disk, and that a file is read and judged before it is stored.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { nm } from '#core/quantity/length'
import { schema } from '../../server/database/from-source'
import { insertRows, type Row } from '../../server/database/bulk'
import { openDatabase, type Database } from '../../server/database/client'
import { SyncedFiles } from '../../server/database/files'
import { checkView } from '../../server/service/check-view'
import { logReading } from '../../server/service/check-commands'
import { importWorksheet } from '../../server/import/worksheet'
import { TABLES } from '../../server/import/import-rows'
import { jobsFile, median, timed } from './scale'

/** The same files, but nothing waits for the disk. */
class UnsyncedFiles extends SyncedFiles {
  protected override attach(): void {}
}

const JOBS = 200
const WRITES = 200

const logged = (db: Database): Promise<number[]> =>
  timed(WRITES, async i => {
    const id = `c${i % JOBS}`
    const { version, document } = await checkView(db, id)
    const reading = { start: nm(0), far: nm(400_000 + i), back: nm(0), springBack: false, at: '2026-05-04T13:05:00Z' }
    await logReading(db, id, { op: `op${i}`, version, id: `new${i}`, trialId: document.trials[0]!.id, point: 'travel', ...reading })
  })

/** The rows of an import put into another database as they are, table by table. */
async function copied(from: Database, to: Database): Promise<number> {
  const rows = new Map<string, Row[]>()
  const worked = await from.rows<{ name: string }>(
    "SELECT column_name AS name FROM information_schema.columns WHERE is_generated = 'ALWAYS'",
  )
  const isGiven = ([column]: [string, unknown]) => !worked.some(({ name }) => name === column)
  for (const table of ['unit', 'lot', 'gauge', ...TABLES])
    rows.set(
      table,
      (await from.rows<Row>(`SELECT * FROM ${table}`)).map(row => Object.fromEntries(Object.entries(row).filter(isGiven))),
    )
  const t = performance.now()
  await to.transaction(async sql => {
    for (const [table, all] of rows) await insertRows(sql, table, all, 'ON CONFLICT DO NOTHING')
  })
  return performance.now() - t
}

export async function keptFigures(say: (line: string) => void): Promise<void> {
  const home = mkdtempSync(join(tmpdir(), 'finitum-kept-'))
  const open = (name: string, files = (folder: string) => new SyncedFiles(folder)) => openDatabase(join(home, name), schema, { files })
  const [synced, unsynced, plain] = [await open('synced'), await open('unsynced', folder => new UnsyncedFiles(folder)), await open('plain')]
  try {
    const text = jobsFile(0, JOBS)
    const t = performance.now()
    await importWorksheet(synced, text, false)
    const took = performance.now() - t
    await importWorksheet(unsynced, text, false)
    const rows = await copied(synced, plain)
    const [with_, without] = [median(await logged(synced)), median(await logged(unsynced))]
    say('\nKept on the disk')
    say(
      `  a reading stored and synced: median ${with_.toFixed(1)} ms, ${(with_ / without).toFixed(2)} times one that is not synced (${without.toFixed(1)} ms)`,
    )
    say(
      `  import of ${JOBS} jobs: ${took.toFixed(0)} ms, ${(took / rows).toFixed(1)} times plain inserts of the same rows (${rows.toFixed(0)} ms)`,
    )
  } finally {
    for (const db of [synced, unsynced, plain]) await db.close()
    rmSync(home, { recursive: true, force: true })
  }
}
