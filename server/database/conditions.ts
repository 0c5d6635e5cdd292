import type { Clearing, Struck } from '#core/check/document'
import { insertRows } from './bulk'
import type { Sql } from './client'
import { moment } from './moment'

/** What was said last of each condition of each fitting. */
export const CONDITIONS = `SELECT DISTINCT ON (x.trial_id, x.condition) x.trial_id, x.condition, x.state FROM trial_condition x
  JOIN trial t ON t.id = x.trial_id WHERE t.check_id = c.id ORDER BY x.trial_id, x.condition, x.id DESC`
export const insertCondition = (sql: Sql, trialId: string, condition: string, state: string) =>
  sql.rows('INSERT INTO trial_condition (trial_id, condition, state) VALUES ($1,$2,$3)', [trialId, condition, state])

/** A state that was struck out, and not said again. */
export const TAKEN_BACK = ''

/** What was said last of each point that is not read. */
export const LEFT_OUT = `SELECT DISTINCT ON (x.trial_id, x.point) x.trial_id, x.point, x.reason FROM left_out x
  JOIN trial t ON t.id = x.trial_id WHERE t.check_id = c.id ORDER BY x.trial_id, x.point, x.id DESC`
export const insertLeftOut = (sql: Sql, trialId: string, point: string, reason: string | null) =>
  sql.rows('INSERT INTO left_out (trial_id, point, reason) VALUES ($1,$2,$3)', [trialId, point, reason])

export const STRUCK = 'SELECT x.trial_id, x.what, x.name, x.said, x.seq FROM struck x WHERE x.check_id = c.id ORDER BY x.id'
export interface StruckRow {
  trial_id: string
  what: Struck['what']
  name: string
  said: string | null
  seq: number
}
export const struckOf = ({ trial_id: trial, what, name: id, said, seq: order }: StruckRow): Struck => ({ what, id, trial, said, order })
export const struckColumns = (checkId: string, { trial, what, id, said, order }: Struck) => ({
  check_id: checkId,
  trial_id: trial,
  what,
  name: id,
  said,
  seq: order,
})

/** Takes back what was said of fittings, and keeps that it was. */
export async function insertStruck(sql: Sql, checkId: string, struck: readonly Struck[]): Promise<void> {
  for (const { what, id, trial } of struck) {
    if (what === 'state') await insertCondition(sql, trial, id, TAKEN_BACK)
    else if (what === 'left-out') await insertLeftOut(sql, trial, id, null)
    else await sql.rows('INSERT INTO step_tick (check_id, trial_id, step, ticked) VALUES ($1,$2,$3,false)', [checkId, trial, id])
  }
  await insertRows(
    sql,
    'struck',
    struck.map(one => struckColumns(checkId, one)),
  )
}

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
