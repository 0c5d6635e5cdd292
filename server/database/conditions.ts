import type { Clearing } from '#core/check/document'
import type { Sql } from './client'
import { moment } from './moment'

/** What was said last of each condition of each fitting. */
export const CONDITIONS = `SELECT DISTINCT ON (x.trial_id, x.condition) x.trial_id, x.condition, x.state FROM trial_condition x
  JOIN trial t ON t.id = x.trial_id WHERE t.check_id = c.id ORDER BY x.trial_id, x.condition, x.id DESC`
export const insertCondition = (sql: Sql, trialId: string, condition: string, state: string) =>
  sql.rows('INSERT INTO trial_condition (trial_id, condition, state) VALUES ($1,$2,$3)', [trialId, condition, state])

export const CLEARINGS = 'SELECT x.* FROM clearing x WHERE x.check_id = c.id ORDER BY x.seq'
export interface ClearingRow {
  trial_id: string
  item: string
  how: Clearing['how']
  by_name: string
  at: string
  seq: number
}
export const clearingOf = (row: ClearingRow): Clearing => ({
  item: row.item,
  trial: row.trial_id,
  how: row.how,
  by: row.by_name,
  at: moment(row.at),
  order: row.seq,
})

/** @returns its place in the order of what happened */
export async function insertClearing(sql: Sql, checkId: string, { item, trial, how, by, at }: Omit<Clearing, 'order'>): Promise<number> {
  const [row] = await sql.rows<{ seq: number }>(
    'INSERT INTO clearing (check_id, trial_id, item, how, by_name, at) VALUES ($1,$2,$3,$4,$5,$6) RETURNING seq',
    [checkId, trial, item, how, by, moment(at)],
  )
  return row!.seq
}
