import type { Sql } from './client'

/** Rows by their columns; what a column is not given takes its default. All rows of a call have the same columns. */
export type Row = Readonly<Record<string, unknown>>

/** Many rows of one table in one statement. @param more  what follows VALUES: ON CONFLICT …, RETURNING … */
export async function insertRows<Answer = unknown>(sql: Sql, table: string, rows: readonly Row[], more = ''): Promise<Answer[]> {
  if (rows.length === 0) return []
  return insertText(sql, { table, columns: Object.keys(rows[0]!), json: JSON.stringify(rows) }, more)
}

/** Rows of one table, written as text already. */
export interface RowsText {
  readonly table: string
  readonly columns: readonly string[]
  readonly json: string
}
export function insertText<Answer = unknown>(sql: Sql, { table, columns: named, json }: RowsText, more = ''): Promise<Answer[]> {
  const columns = named.join(', ')
  return sql.rows<Answer>(
    `INSERT INTO ${table} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${table}, $1) ${more}`,
    [json],
  )
}

/** One row takes other columns, and is one version on. */
export function updateRow(sql: Sql, table: string, id: string, columns: Row): Promise<unknown> {
  const names = Object.keys(columns)
  return sql.rows(
    `UPDATE ${table} t SET ${names.map(name => `${name} = n.${name}`).join(', ')}, version = t.version + 1
      FROM json_populate_record(NULL::${table}, $2) n WHERE t.id = $1`,
    [id, JSON.stringify(columns)],
  )
}

/** So many numbers of a sequence that nobody else gets, one after the other. @returns the first */
export async function reserveNumbers(sql: Sql, sequence: string, count: number): Promise<number> {
  if (count === 0) return 0
  const [row] = await sql.rows<{ n: number }>(`SELECT (setval($1::regclass, nextval($1::regclass) + $2 - 1) - $2 + 1)::float8 AS n`, [
    sequence,
    count,
  ])
  return row!.n
}

/** Which of these ids a table holds already. */
export const known = async (sql: Sql, table: string, ids: readonly string[]): Promise<ReadonlySet<string>> =>
  new Set((await sql.rows<{ id: string }>(`SELECT id FROM ${table} WHERE id = ANY($1)`, [ids])).map(({ id }) => id))
