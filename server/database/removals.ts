import type { Sql } from './client'

/** What can be taken away, by its table. */
export type Removable = 'lot' | 'checks' | 'job' | 'person' | 'photo' | 'route'

export const rowOf = async (sql: Sql, table: Removable, id: string): Promise<{ version: number; removed: boolean } | undefined> =>
  (
    await sql.rows<{ version: number; removed: boolean }>(`SELECT version, removed_at IS NOT NULL AS removed FROM ${table} WHERE id = $1`, [
      id,
    ])
  )[0]
export const setRemoved = (sql: Sql, table: Removable, id: string, removed: boolean) =>
  sql.rows(`UPDATE ${table} SET removed_at = CASE WHEN $2 THEN now() END, version = version + 1 WHERE id = $1`, [id, removed])

/** What rests on a check, in a word; null: nothing. */
const RESTS_ON_CHECK = `CASE
  WHEN EXISTS (SELECT 1 FROM sign_off s WHERE s.check_id = c.id) THEN 'it was signed off'
  WHEN EXISTS (SELECT 1 FROM trial t WHERE t.check_id = c.id HAVING count(*) > 1) THEN 'a pack was changed in it'
  WHEN EXISTS (SELECT 1 FROM reading r JOIN series s ON s.id = r.series_id JOIN trial t ON t.id = s.trial_id
    WHERE t.check_id = c.id AND NOT EXISTS (SELECT 1 FROM reading_void v WHERE v.reading_id = r.id)) THEN 'it has readings'
  WHEN EXISTS (SELECT 1 FROM reserve x WHERE x.check_id = c.id) THEN 'pieces are kept for it'
  WHEN EXISTS (SELECT 1 FROM order_line o WHERE o.check_id = c.id AND o.purchase_id IS NOT NULL) THEN 'pieces were ordered for it'
  WHEN EXISTS (SELECT 1 FROM lap l WHERE l.check_id = c.id) THEN 'a piece was made for it'
END`

/** The checks of a job that can be removed, and what of its others is in the way. */
export const restsOnChecks = (sql: Sql, jobId: string) =>
  sql.rows<{ id: string; title: string; rests: string | null }>(
    `SELECT c.id, c.title, ${RESTS_ON_CHECK} AS rests FROM checks c WHERE c.job_id = $1 AND c.removed_at IS NULL ORDER BY c.position, c.id`,
    [jobId],
  )
export const restsOnCheck = async (sql: Sql, id: string): Promise<string | null> =>
  (await sql.rows<{ rests: string | null }>(`SELECT ${RESTS_ON_CHECK} AS rests FROM checks c WHERE c.id = $1`, [id]))[0]?.rests ?? null

/** What rests on a size of the drawer, in a word; null: nothing. */
export const restsOnLot = async (sql: Sql, id: string): Promise<string | null> =>
  (
    await sql.rows<{ rests: string | null }>(
      `SELECT COALESCE(
      (SELECT 'it is, or was, in ' || lower(c.title) FROM trial_piece p JOIN pack_listing x ON x.id = p.listing_id JOIN trial t ON t.id = x.trial_id
        JOIN checks c ON c.id = t.check_id WHERE p.lot_id = $1 AND c.removed_at IS NULL LIMIT 1),
      (SELECT 'pieces are kept for ' || lower(c.title) FROM reserve r JOIN checks c ON c.id = r.check_id WHERE r.lot_id = $1 LIMIT 1),
      (SELECT 'a piece was made from it for ' || lower(c.title) FROM lap l JOIN checks c ON c.id = l.check_id WHERE l.lot_id = $1 LIMIT 1),
      (SELECT 'it is on the order list, or was ordered' FROM order_line o WHERE o.lot_id = $1 AND o.dropped_at IS NULL LIMIT 1),
      (SELECT lower(c.title) || ' asks for it' FROM checks c WHERE c.pack_rules ->> 'required' = $1 AND c.removed_at IS NULL LIMIT 1)) AS rests`,
      [id],
    )
  )[0]?.rests ?? null
