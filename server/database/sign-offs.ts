import type { Reopening, SignOff } from '#core/check/document'
import type { Sql } from './client'
import { moment } from './moment'

export interface SignOffRow {
  id: string
  at: string
  by_name: string
  reason: string | null
  core_version: string
  /** the document that was signed */
  inputs: unknown
  /** what was signed; null of records that did not keep it */
  figures: SignOff['figures'] | null
  pieces: SignOff['pieces'] | null
}
/** The signature that stands, if any. */
export const SIGNATURE = `SELECT s.id, s.at, s.by_name, s.reason, s.core_version, s.record -> 'inputs' AS inputs, s.record -> 'figures' AS figures,
  s.record -> 'pieces' AS pieces FROM sign_off s WHERE s.check_id = c.id
  AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id) ORDER BY s.at DESC LIMIT 1`
export const signOffOf = (row: SignOffRow | undefined): SignOff | null =>
  row
    ? {
        at: moment(row.at),
        by: row.by_name,
        reason: row.reason,
        core: row.core_version,
        ...(row.figures ? { figures: row.figures } : {}),
        ...(row.pieces ? { pieces: row.pieces } : {}),
      }
    : null

/** The newest reopening, if any. */
export const REOPENED =
  'SELECT r.at, r.by_name, r.reason, r.seq FROM reopening r JOIN sign_off s ON s.id = r.sign_off_id WHERE s.check_id = c.id ORDER BY r.seq DESC LIMIT 1'
export const reopeningOf = (row: { at: string; by_name: string; reason: string; seq: number } | undefined): Reopening | null =>
  row ? { at: moment(row.at), by: row.by_name, reason: row.reason, order: row.seq } : null

export const insertSignOff = (sql: Sql, id: string, checkId: string, s: SignOff, record: unknown) =>
  sql.rows('INSERT INTO sign_off (id, check_id, at, by_name, reason, core_version, record) VALUES ($1,$2,$3,$4,$5,$6,$7)', [
    id,
    checkId,
    moment(s.at),
    s.by,
    s.reason,
    s.core,
    JSON.stringify(record),
  ])

/** Opens the signature that stands. @returns its place in the order of what happened */
export async function insertReopening(sql: Sql, checkId: string, { reason, by, at }: Omit<Reopening, 'order'>): Promise<number> {
  const [row] = await sql.rows<{ seq: number }>(
    `INSERT INTO reopening (sign_off_id, reason, by_name, at) SELECT s.id, $2, $3, $4 FROM sign_off s WHERE s.check_id = $1
      AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id) ORDER BY s.at DESC LIMIT 1 RETURNING seq`,
    [checkId, reason, by, moment(at)],
  )
  return row!.seq
}
