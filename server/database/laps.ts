import type { Lap } from '#core/pack/lapping'
import type { Nm } from '#core/quantity/length'
import type { Sql } from './client'

/** Pieces made for a check, oldest first, each with its passes. */
export async function lapsOf(sql: Sql, checkId: string): Promise<Lap[]> {
  const laps = await sql.rows<{
    id: string
    at: Date
    place: string
    lot_id: string
    target_nm: Nm
    low_nm: Nm | null
    high_nm: Nm | null
    ended: boolean
    made: string | null
  }>(
    'SELECT l.*, e.lap_id IS NOT NULL AS ended, e.lot_id AS made FROM lap l LEFT JOIN lap_end e ON e.lap_id = l.id WHERE l.check_id = $1 ORDER BY l.at, l.id',
    [checkId],
  )
  const passes = await sql.rows<{ id: string; lap_id: string; figures: Nm[]; at: Date }>(
    'SELECT p.* FROM lap_pass p JOIN lap l ON l.id = p.lap_id WHERE l.check_id = $1 ORDER BY p.ordinal',
    [checkId],
  )
  return laps.map(l => ({
    id: l.id,
    at: l.at.toISOString(),
    place: l.place,
    lotId: l.lot_id,
    target: l.target_nm,
    low: l.low_nm,
    high: l.high_nm,
    passes: passes.filter(p => p.lap_id === l.id).map(p => ({ id: p.id, at: p.at.toISOString(), figures: p.figures })),
    end: l.ended ? { lotId: l.made } : null,
  }))
}

export const insertLap = (sql: Sql, checkId: string, lap: Omit<Lap, 'passes' | 'end'>) =>
  sql.rows('INSERT INTO lap (id, check_id, place, lot_id, target_nm, low_nm, high_nm, at) VALUES ($1,$2,$3,$4,$5,$6,$7,$8)', [
    lap.id,
    checkId,
    lap.place,
    lap.lotId,
    lap.target,
    lap.low,
    lap.high,
    lap.at,
  ])
export const insertLapPass = (sql: Sql, lapId: string, pass: Lap['passes'][number]) =>
  sql.rows('INSERT INTO lap_pass (id, lap_id, figures, at) VALUES ($1,$2,$3,$4)', [pass.id, lapId, JSON.stringify(pass.figures), pass.at])
export const insertLapEnd = (sql: Sql, lapId: string, lotId: string | null) =>
  sql.rows('INSERT INTO lap_end (lap_id, lot_id) VALUES ($1,$2)', [lapId, lotId])
