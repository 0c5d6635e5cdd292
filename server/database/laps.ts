import type { Lap } from '#core/pack/lapping'
import type { Nm } from '#core/quantity/length'
import type { Sql } from './client'
import { moment } from './moment'

/** Pieces made for a check, oldest first, each with its passes. */
export const LAPS = `SELECT l.*, e.lap_id IS NOT NULL AS ended, e.lot_id AS made,
    (SELECT COALESCE(json_agg(json_build_object('id', p.id, 'at', p.at, 'figures', p.figures) ORDER BY p.ordinal), '[]') FROM lap_pass p WHERE p.lap_id = l.id) AS passes
  FROM lap l LEFT JOIN lap_end e ON e.lap_id = l.id WHERE l.check_id = c.id ORDER BY l.at, l.id`
export interface LapRow {
  id: string
  at: string
  place: string
  lot_id: string
  trial_id: string | null
  target_nm: Nm
  low_nm: Nm | null
  high_nm: Nm | null
  ended: boolean
  made: string | null
  passes: { id: string; at: string; figures: Nm[] }[]
}
export const lapOf = (row: LapRow): Lap => ({
  id: row.id,
  at: moment(row.at),
  place: row.place,
  lotId: row.lot_id,
  trial: row.trial_id,
  target: row.target_nm,
  low: row.low_nm,
  high: row.high_nm,
  passes: row.passes.map(pass => ({ ...pass, at: moment(pass.at) })),
  end: row.ended ? { lotId: row.made } : null,
})

export const insertLap = (sql: Sql, checkId: string, lap: Omit<Lap, 'passes' | 'end'>) =>
  sql.rows('INSERT INTO lap (id, check_id, place, lot_id, trial_id, target_nm, low_nm, high_nm, at) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9)', [
    lap.id,
    checkId,
    lap.place,
    lap.lotId,
    lap.trial,
    lap.target,
    lap.low,
    lap.high,
    lap.at,
  ])
export const insertLapPass = (sql: Sql, lapId: string, pass: Lap['passes'][number]) =>
  sql.rows('INSERT INTO lap_pass (id, lap_id, figures, at) VALUES ($1,$2,$3,$4)', [pass.id, lapId, JSON.stringify(pass.figures), pass.at])
export const insertLapEnd = (sql: Sql, lapId: string, lotId: string | null) =>
  sql.rows('INSERT INTO lap_end (lap_id, lot_id) VALUES ($1,$2)', [lapId, lotId])
