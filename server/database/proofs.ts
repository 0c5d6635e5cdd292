import type { Proof } from '#core/check/evaluate/refit-spread'
import { insertRows } from './bulk'
import type { Sql } from './client'

/** A check has these proofs and no others; none: it is not signed. */
export async function keepProofs(sql: Sql, checkId: string, proofs: readonly Proof[]): Promise<void> {
  await sql.rows('DELETE FROM proof WHERE check_id = $1', [checkId])
  await insertRows(
    sql,
    'proof',
    proofs.map(({ trial, result, difference, known }) => ({ check_id: checkId, trial_id: trial, result, difference, known })),
  )
}

/** Of all checks of a kind that are signed here and still there. */
export const proofsOfKind = (sql: Sql, kind: string) =>
  sql.rows<Pick<Proof, 'difference' | 'known'>>(
    'SELECT p.difference, p.known FROM proof p JOIN checks c ON c.id = p.check_id WHERE c.kind = $1 AND c.removed_at IS NULL',
    [kind],
  )

/** The newest signed check of a kind on the unit of a job, else on one of its type; its job, and the day it was signed. */
export async function lastLike(sql: Sql, jobId: string, kind: string): Promise<{ id: string; job: string; day: string } | null> {
  const [last] = await sql.rows<{ id: string; job: string; day: string }>(
    `SELECT c.id, other.title AS job, to_char((SELECT max(s.at) FROM sign_off s WHERE s.check_id = c.id), 'YYYY-MM-DD') AS day
    FROM job JOIN unit mine ON mine.id = job.unit_id JOIN unit u ON u.id = mine.id OR (mine.type <> '' AND u.type = mine.type)
    JOIN job other ON other.unit_id = u.id AND other.removed_at IS NULL JOIN checks c ON c.job_id = other.id
    WHERE job.id = $1 AND c.kind = $2 AND c.removed_at IS NULL AND c.signed ORDER BY (u.id = mine.id) DESC, c.created_at DESC, c.id LIMIT 1`,
    [jobId, kind],
  )
  return last ?? null
}
