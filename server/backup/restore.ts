import { mkdtemp, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { openDatabase, type Database, type Sql } from '../database/client'
import type { Schema } from '../database/schema'
import { verify } from '../database/verify'
import { refuse } from '../http/refuse'
import { fill } from './fill'
import { assertWhole } from './read'
import { quoted, tablesOf } from './tables'
import { writeBackup, writeBackupFile } from './write'

/** What a new workshop begins with; whatever is done to it leaves an event. */
const BEGINS_WITH = ['workshop', 'gauge']

/** @throws Refused 409 where the workshop holds something already: it would be lost, or mixed */
export async function assertEmpty(sql: Sql): Promise<void> {
  for (const { name } of await tablesOf(sql))
    if (!BEGINS_WITH.includes(name) && (await sql.rows(`SELECT 1 FROM ${quoted(name)} LIMIT 1`)).length > 0)
      throw refuse(
        409,
        'This workshop is in use: a backup is restored into an empty one only. Start Finitum on another data folder (FINITUM_DATA), or import worksheets, which are added to what is here.',
      )
}

/**
 * Restores a backup into an empty workshop: all of it or nothing. One of an older version is brought up to date on the way.
 * @param schema  of this program
 * @throws Refused where the file is not whole, not of this program, what it holds does not hold together, or the workshop is in use
 */
export async function restoreBackup(db: Database, path: string, schema: Schema): Promise<Readied> {
  const readied = await readyBackup(path, schema)
  await takePlace(db, readied.path)
  return readied
}

/** A backup that can take its place. */
export interface Readied {
  /** as this version writes it */
  readonly path: string
  readonly rows: number
  readonly sha256: string
}
/** Reads a backup, and where it is of an older version brings it up to date, beside it. @throws Refused where it is not whole, or none of this program’s */
export async function readyBackup(path: string, schema: Schema): Promise<Readied> {
  const { rows, sha256, migrations } = await assertWhole(path, [...schema.migrations.keys()])
  return { rows, sha256, path: migrations.length === schema.migrations.size ? path : await broughtUpToDate(path, migrations, schema) }
}

/** What was entered while the file was read, or brought up to date, would be cleared away: it is looked for where nobody else writes. */
export const takePlace = (db: Database, path: string): Promise<void> =>
  db.transaction(async sql => {
    await assertEmpty(sql)
    await fill(sql, path)
    const { faults } = await verify(sql)
    if (faults.length > 0) throw refuse(422, `What this backup holds does not hold together: ${faults[0]} Nothing was changed.`)
  })

/** An older backup as this version would have written it: restored into tables of its time, which then go through what they missed. */
async function broughtUpToDate(path: string, had: readonly string[], schema: Schema): Promise<string> {
  const scratch = await mkdtemp(`${path}.older-`)
  try {
    const newer = `${path}.newer`
    const folder = join(scratch, 'database')
    const migrations = new Map([...schema.migrations].filter(([name]) => had.includes(name)))
    const old = await openDatabase(folder, { ...schema, migrations }, { say: () => undefined, small: true })
    await old.transaction(sql => fill(sql, path)).finally(() => old.close())
    const now = await openDatabase(folder, schema, { say: () => undefined, small: true }).catch((error: Error) => {
      throw refuse(422, `What this backup holds cannot be brought up to date: ${error.message}. Nothing was changed.`)
    })
    await writeBackupFile(now, newer).finally(() => now.close())
    return newer
  } finally {
    await rm(scratch, { recursive: true, force: true })
  }
}

/** Can this file be restored, and is what comes of it the same? Tried in a workshop in memory. @throws Refused where not */
export async function tryRestore(path: string, schema: Schema): Promise<void> {
  const scratch = await openDatabase(undefined, schema)
  try {
    const { sha256 } = await restoreBackup(scratch, path, schema)
    if ((await writeBackup(scratch, () => Promise.resolve())) !== sha256) throw refuse(500, 'Restored, it is not the same.')
  } finally {
    await scratch.close()
  }
}
