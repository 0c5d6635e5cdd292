import type { Sql } from '../database/client'
import { refuse } from '../http/refuse'
import type { CountersLine, TableLine } from './format'
import { linesOf } from './lines'
import { OF_THIS_MACHINE, quoted, tablesOf } from './tables'

const ROWS_AT_ONCE = 400
const BYTES_AT_ONCE = 4_000_000

/**
 * The rows of a whole file into tables that hold nothing but what a new workshop begins with; what is of this machine stays as it is.
 * @throws Refused 422 where a row does not fit its table, or what has to be there is not
 */
export async function fill(sql: Sql, path: string): Promise<void> {
  const tables = await tablesOf(sql)
  const folder = await ownFolder(sql)
  for (const { name } of tables) await sql.rows(`ALTER TABLE ${quoted(name)} DISABLE TRIGGER USER`)
  for (const { name } of [...tables].reverse()) await sql.rows(`DELETE FROM ${quoted(name)}`)
  const missing = new Set(tables.map(({ name }) => name))
  let table: TableLine | null = null
  let waiting: string[] = []
  let length = 0
  const store = async () => {
    if (waiting.length > 0) await storeRows(sql, table!, waiting)
    waiting = []
    length = 0
  }
  let left = 0
  // The first line is the head.
  let isHead = true
  for await (const line of linesOf(path)) {
    if (isHead) {
      isHead = false
      continue
    }
    if (left > 0) {
      waiting.push(line.toString('utf8'))
      left--
      length += line.length
      if (waiting.length >= ROWS_AT_ONCE || length > BYTES_AT_ONCE) await store()
      continue
    }
    await store()
    const next = JSON.parse(line.toString('utf8')) as Partial<TableLine & CountersLine>
    if (next.table !== undefined) {
      const known = tables.find(({ name }) => name === next.table)
      const strange = next.columns!.filter(column => !known?.columns.includes(column) && column !== OF_THIS_MACHINE)
      if (!known || strange.length > 0) throw refuse(422, 'This backup holds what this version does not know. Nothing was changed.')
      missing.delete(next.table)
      table = next as TableLine
      left = table.rows
    } else if (next.counters) await setCounters(sql, next.counters)
  }
  const [lost] = missing
  if (lost !== undefined) throw refuse(422, `This backup is damaged: the table ${lost} is missing. Nothing was changed.`)
  for (const { name } of tables) await sql.rows(`ALTER TABLE ${quoted(name)} ENABLE TRIGGER USER`)
  // Tables of an older version do not have it yet.
  const [has] = await sql.rows<{ find: boolean; book: boolean }>(
    "SELECT to_regclass('job_unread') IS NOT NULL AS find, to_regclass('book') IS NOT NULL AS book",
  )
  if (has!.find) await sql.rows('INSERT INTO job_unread SELECT id FROM job ON CONFLICT DO NOTHING')
  if (has!.book) await sql.rows('SELECT count_book()')
  if (folder !== null) await sql.rows(`UPDATE workshop SET ${OF_THIS_MACHINE} = $1`, [folder])
}

/** A value a column cannot hold, a row twice, one that breaks a rule of its table: by the class of its SQLSTATE, the file’s fault. */
const byTheFile = (work: Promise<unknown>, what: string): Promise<unknown> =>
  work.catch((error: { code?: string }) => {
    throw /^(?:21|22|23|42)/.test(error.code ?? '') ? refuse(422, `This backup is damaged: ${what}. Nothing was changed.`) : error
  })

async function storeRows(sql: Sql, { table, columns: all }: TableLine, rows: readonly string[]): Promise<void> {
  const columns = all
    .filter(column => column !== OF_THIS_MACHINE)
    .map(quoted)
    .join(', ')
  const statement = `INSERT INTO ${quoted(table)} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${quoted(table)}, $1)`
  await byTheFile(sql.rows(statement, [`[${rows.join(',')}]`]), `a row of the table ${table} does not fit it`)
}

async function setCounters(sql: Sql, counters: CountersLine['counters']): Promise<void> {
  for (const [name, value] of Object.entries(counters))
    await byTheFile(
      value === null
        ? sql.rows('SELECT setval($1::regclass, 1, false)', [quoted(name)])
        : sql.rows('SELECT setval($1::regclass, $2, true)', [quoted(name), value]),
      `its counter ${name} cannot be set`,
    )
}

/** Tables of an older version have none. */
const ownFolder = async (sql: Sql): Promise<string | null> =>
  (await sql.rows<{ folder: string | null }>(`SELECT to_jsonb(w) ->> '${OF_THIS_MACHINE}' AS folder FROM workshop w`))[0]?.folder ?? null
