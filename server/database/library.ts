import type { LibraryLimit } from '#core/check/library'
import type { KeptLimit, LibraryUse } from '#shared/types'
import { insertRows } from './bulk'
import type { Sql } from './client'
import { limitColumns, limitSetIn, type LimitRow } from './limits'

interface EntryRow extends Omit<LimitRow, 'result'> {
  id: string
  version: number
  name: string
  check_kind: string
  result: string
  unit_type: string
  rule: Readonly<Record<string, string>>
  removed: boolean
}
const entryOf = (row: EntryRow): LibraryLimit => ({
  id: row.id,
  version: row.version,
  name: row.name,
  kind: row.check_kind,
  result: row.result,
  type: row.unit_type,
  role: row.role,
  set: limitSetIn(row)!,
  rule: row.rule,
})
const NEWEST = 'SELECT DISTINCT ON (id) * FROM limit_entry ORDER BY id, version DESC'

/** The library as it is: the newest of each, by kind and name. */
export const allEntries = async (sql: Sql): Promise<LibraryLimit[]> =>
  (await sql.rows<EntryRow>(`SELECT * FROM (${NEWEST}) e WHERE NOT removed ORDER BY check_kind, unit_type, lower(name), id`)).map(entryOf)
/** One of them, removed or not. */
export async function entryById(sql: Sql, id: string): Promise<KeptLimit | undefined> {
  const [row] = await sql.rows<EntryRow>('SELECT * FROM limit_entry WHERE id = $1 ORDER BY version DESC LIMIT 1', [id])
  return row && { ...entryOf(row), removed: row.removed }
}

export function insertEntry(sql: Sql, { id, version, name, kind, result, type, role, set, rule }: LibraryLimit, removed = false) {
  const { check_id: _, result: __, role: ___, ...columns } = limitColumns('', result, role, set)
  return insertRows(sql, 'limit_entry', [{ id, version, name, check_kind: kind, result, unit_type: type, role, ...columns, rule, removed }])
}

interface UseRow extends LimitRow {
  entry: string
  seen: number
  check_id: string
  title: string
  unit_name: string
  signed: boolean
}
/** Checks whose limits of a figure come from an entry now: which, and as it stood then. */
export const entryUses = async (sql: Sql, id: string): Promise<LibraryUse[]> =>
  (
    await sql.rows<UseRow>(
      `SELECT * FROM (
        SELECT DISTINCT ON (l.check_id, l.result, l.role) l.*, l.source -> 'entry' ->> 'id' AS entry, (l.source -> 'entry' ->> 'version')::integer AS seen,
          c.title, c.signed, unit.name AS unit_name, c.created_at
        FROM limit_set l JOIN checks c ON c.id = l.check_id JOIN job ON job.id = c.job_id JOIN unit ON unit.id = job.unit_id
        WHERE c.removed_at IS NULL AND job.removed_at IS NULL
          AND l.check_id IN (SELECT check_id FROM limit_set WHERE source ? 'entry' AND source -> 'entry' ->> 'id' = $1)
        ORDER BY l.check_id, l.result, l.role, l.id DESC) newest
      WHERE entry = $1 ORDER BY signed, created_at DESC, check_id LIMIT 200`,
      [id],
    )
  ).map(row => ({
    check: { id: row.check_id, title: row.title },
    unit: row.unit_name,
    signed: row.signed,
    version: row.seen,
    set: limitSetIn(row)!,
  }))
