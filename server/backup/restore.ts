import { mkdtemp, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { openDatabase, type Database, type Sql } from '../database/client'
import type { Schema } from '../database/schema'
import { verify } from '../database/verify'
import { refuse } from '../http/refuse'
import type { CountersLine, TableLine } from './format'
import { assertWhole, linesOf } from './read'
import { quoted, tablesOf } from './tables'
import { writeBackupFile } from './write'

const ROWS_AT_ONCE = 400
const CHARACTERS_AT_ONCE = 4_000_000

/** What would be lost, or mixed: an empty workshop has none of it. */
const USED = ['job', 'lot', 'person', 'limit_entry', 'event', 'photo']

/** @throws Refused 409 where the workshop holds something already */
export async function assertEmpty(sql: Sql): Promise<void> {
  for (const table of USED)
    if ((await sql.rows(`SELECT 1 FROM ${table} LIMIT 1`)).length > 0)
      throw refuse(
        409,
        'This workshop is in use: a backup is restored into an empty one only. Start Finitum on another data folder (FINITUM_DATA), or import worksheets, which are added to what is here.',
      )
}

/**
 * Restores a backup into an empty workshop: all of it or nothing. One of an older version is brought up to date on the way.
 * @param schema  of this program
 * @throws Refused where the file is not whole, not of this program, or the workshop is in use
 */
export async function restoreBackup(db: Database, path: string, schema: Schema): Promise<{ readonly rows: number }> {
  const head = await assertWhole(path, [...schema.migrations.keys()])
  await assertEmpty(db)
  if (head.migrations.length === schema.migrations.size) {
    await fill(db, path)
    return { rows: head.rows }
  }
  const scratch = await mkdtemp(`${path}.older-`)
  try {
    const newer = join(scratch, 'newer')
    await bringUpToDate(path, newer, join(scratch, 'database'), head.migrations, schema)
    await fill(db, newer)
  } finally {
    await rm(scratch, { recursive: true, force: true })
  }
  return { rows: head.rows }
}

/** An older backup as this version would have written it: restored into tables of its time, which then go through what they missed. */
async function bringUpToDate(path: string, newer: string, folder: string, had: readonly string[], schema: Schema): Promise<void> {
  const migrations = new Map([...schema.migrations].filter(([name]) => had.includes(name)))
  const old = await openDatabase(folder, { ...schema, migrations }, { say: () => undefined })
  await fill(old, path).finally(() => old.close())
  const now = await openDatabase(folder, schema, { say: () => undefined })
  await writeBackupFile(now, newer).finally(() => now.close())
}

/** The rows of a whole file into tables that hold nothing but what a new workshop begins with. */
const fill = (db: Database, path: string): Promise<void> =>
  db.transaction(async sql => {
    const tables = await tablesOf(sql)
    for (const { name } of tables) await sql.rows(`ALTER TABLE ${quoted(name)} DISABLE TRIGGER USER`)
    for (const { name } of [...tables].reverse()) await sql.rows(`DELETE FROM ${quoted(name)}`)
    let table: TableLine | null = null
    let waiting: string[] = []
    let length = 0
    const store = async () => {
      if (waiting.length === 0) return
      const columns = table!.columns.map(quoted).join(', ')
      await sql.rows(
        `INSERT INTO ${quoted(table!.table)} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${quoted(table!.table)}, $1)`,
        [`[${waiting.join(',')}]`],
      )
      waiting = []
      length = 0
    }
    let left = 0
    for await (const line of linesOf(path)) {
      if (left > 0) {
        waiting.push(line)
        left--
        length += line.length
        if (waiting.length >= ROWS_AT_ONCE || length > CHARACTERS_AT_ONCE) await store()
        continue
      }
      await store()
      const next = JSON.parse(line) as Partial<TableLine & CountersLine>
      if (next.table !== undefined) {
        const known = tables.find(({ name }) => name === next.table)
        if (!known || next.columns!.some(column => !known.columns.includes(column)))
          throw refuse(422, 'This backup holds what this version does not know. Nothing was changed.')
        table = next as TableLine
        left = table.rows
      } else if (next.counters) {
        for (const [name, value] of Object.entries(next.counters))
          await sql.rows(value === null ? 'SELECT setval($1::regclass, 1, false)' : 'SELECT setval($1::regclass, $2, true)', [
            quoted(name),
            ...(value === null ? [] : [value]),
          ])
      }
    }
    for (const { name } of tables) await sql.rows(`ALTER TABLE ${quoted(name)} ENABLE TRIGGER USER`)
    // Tables of an older version do not have it yet.
    const [find] = await sql.rows<{ there: boolean }>("SELECT to_regclass('job_unread') IS NOT NULL AS there")
    if (find!.there) await sql.rows('INSERT INTO job_unread SELECT id FROM job ON CONFLICT DO NOTHING')
    const { faults } = await verify(sql)
    if (faults.length > 0) throw refuse(422, `What this backup holds does not hold together: ${faults[0]} Nothing was changed.`)
  })

/** Can this file be restored, and is what comes of it the same? Tried in a workshop in memory. @throws Refused where not */
export async function tryRestore(path: string, schema: Schema): Promise<void> {
  const again = `${path}.again`
  const scratch = await openDatabase(undefined, schema)
  try {
    await restoreBackup(scratch, path, schema)
    const { sha256 } = await assertWhole(path, [...schema.migrations.keys()])
    if ((await writeBackupFile(scratch, again)) !== sha256) throw refuse(500, 'Restored, it is not the same.')
  } finally {
    await scratch.close()
    await rm(again, { force: true })
  }
}
