import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { finished } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import type { Progress } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { BACKUP_FORMAT, BACKUP_VERSION, type CountersLine, type EndLine, type Head, type TableLine } from './format'
import { SEQUENCES, quoted, tablesOf, type Table } from './tables'

const ROWS_AT_ONCE = 500
/** A photograph is large. */
const FEW = 8

/** Takes the lines of a backup, one after the other. */
export type Sink = (line: string) => Promise<void>

type Said = (progress: Progress) => void

/**
 * Everything in the workshop, as lines of JSON: a head, every table with its rows in the order of their keys, the counters, an end with
 * the digest. The same data gives the same lines. All of it is as it was at one moment.
 * @returns the digest
 */
export const writeBackup = (db: Database, sink: Sink, said: Said = () => undefined): Promise<string> =>
  db.transaction(async sql => {
    const digest = createHash('sha256')
    const put = async (line: string) => {
      digest.update(line).update('\n')
      await sink(line)
    }
    const migrations = (await sql.rows<{ name: string }>('SELECT name FROM migration ORDER BY name')).map(({ name }) => name)
    await put(JSON.stringify({ format: BACKUP_FORMAT, version: BACKUP_VERSION, migrations } satisfies Head))
    const tables: (Table & { readonly rows: number })[] = []
    for (const table of await tablesOf(sql)) tables.push({ ...table, rows: await countOf(sql, table) })
    const rows = tables.reduce((sum, table) => sum + table.rows, 0)
    let done = 0
    for (const table of tables)
      await writeTable(sql, table, put, more => {
        done += more
        said({ done, of: rows, what: 'rows' })
      })
    const counters = (await sql.rows<{ name: string; value: number | null }>(SEQUENCES)).map(({ name, value }) => [name, value])
    await put(JSON.stringify({ counters: Object.fromEntries(counters) } satisfies CountersLine))
    const sha256 = digest.digest('hex')
    await sink(JSON.stringify({ end: true, rows, sha256 } satisfies EndLine))
    return sha256
  })

const countOf = async (sql: Sql, { name }: Table): Promise<number> =>
  (await sql.rows<{ n: number }>(`SELECT count(*)::integer AS n FROM ${quoted(name)}`))[0]!.n

async function writeTable(
  sql: Sql,
  { name, columns, key, rows }: Table & { readonly rows: number },
  put: Sink,
  written: (rows: number) => void,
): Promise<void> {
  await put(JSON.stringify({ table: name, columns, rows } satisfies TableLine))
  // Read on from where the rows before ended; text, so that no figure goes through another program’s numbers.
  const cursor = `backup_${name}`
  const order = key.map(column => `${quoted(column)}::text COLLATE "C"`).join(', ')
  await sql.rows(
    `DECLARE ${quoted(cursor)} NO SCROLL CURSOR FOR SELECT row_to_json(r)::text AS line FROM (SELECT ${columns.map(quoted).join(', ')} FROM ${quoted(name)} ORDER BY ${order}) r`,
  )
  for (;;) {
    const lines = await sql.rows<{ line: string }>(`FETCH ${name === 'photo' ? FEW : ROWS_AT_ONCE} FROM ${quoted(cursor)}`)
    if (lines.length === 0) break
    for (const { line } of lines) await put(line)
    written(lines.length)
  }
  await sql.rows(`CLOSE ${quoted(cursor)}`)
}

/** Writes a backup into a file, packed; it is on the disk when this ends. @returns its digest */
export async function writeBackupFile(db: Database, path: string, said?: Said): Promise<string> {
  const packed = createGzip({ level: 6 })
  const file = createWriteStream(path, { flags: 'wx', mode: 0o600, flush: true })
  packed.pipe(file)
  const failed = new Promise<never>((_, reject) => [packed, file].forEach(stream => stream.on('error', reject)))
  failed.catch(() => undefined)
  const sink: Sink = async line => {
    if (!packed.write(`${line}\n`)) await Promise.race([once(packed, 'drain'), failed])
  }
  const digest = await writeBackup(db, sink, said)
  packed.end()
  await Promise.race([finished(file), failed])
  return digest
}
