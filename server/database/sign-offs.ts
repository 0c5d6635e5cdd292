import type { SignOff } from '#core/check/document'
import type { Sql } from './client'
import { moment } from './moment'

export interface SignOffRow {
  id: string
  at: Date
  by_name: string
  reason: string | null
  core_version: string
}
export const openSignOff = async (sql: Sql, checkId: string): Promise<SignOffRow | undefined> =>
  (
    await sql.rows<SignOffRow>(
      'SELECT s.* FROM sign_off s WHERE check_id = $1 AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id) ORDER BY at DESC LIMIT 1',
      [checkId],
    )
  )[0]
export const signOffOf = (row: SignOffRow | undefined): SignOff | null =>
  row ? { at: row.at.toISOString(), by: row.by_name, reason: row.reason, core: row.core_version } : null

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
export const insertReopening = (sql: Sql, signOffId: string, reason: string, by: string) =>
  sql.rows('INSERT INTO reopening (sign_off_id, reason, by_name) VALUES ($1,$2,$3)', [signOffId, reason, by])
