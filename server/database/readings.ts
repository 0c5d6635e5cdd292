import type { PointReading } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import { ways } from '#core/method/ways'
import type { Nm } from '#core/quantity/length'
import type { Pooled } from '#core/reading/estimate'
import { isFigure, isPieces, isRange, isRepeat, isWord, type Stone } from '#core/reading/reading'
import { groups } from 'd3-array'
import type { CheckRow } from './checks'
import type { Sql } from './client'
import { moment } from './moment'

/** The reading goes into the fitting's series with this gauge (null: none was used); another gauge opens another series. */
export async function insertReading(sql: Sql, trialId: string, gaugeId: string | null, r: PointReading): Promise<void> {
  const open = await sql.rows<{ id: number }>(
    'SELECT id FROM series WHERE trial_id = $1 AND gauge_id IS NOT DISTINCT FROM $2 ORDER BY id DESC LIMIT 1',
    [trialId, gaugeId],
  )
  const series =
    open[0] ??
    (await sql.rows<{ id: number }>('INSERT INTO series (trial_id, gauge_id) VALUES ($1,$2) RETURNING id', [trialId, gaugeId]))[0]!
  const travel = isRepeat(r) ? r : null
  const range = isRange(r) ? r : null
  const figure = isFigure(r) ? r : null
  await sql.rows(
    'INSERT INTO reading (id, series_id, point, start_nm, far_nm, back_nm, spring_back, figure_nm, low_nm, high_nm, leaves, word, celsius, stone, pieces, at) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,$14,$15,COALESCE($16::timestamptz, now()))',
    [
      r.id,
      series.id,
      r.point,
      travel?.start ?? null,
      travel?.far ?? null,
      travel?.back ?? null,
      travel?.springBack ?? false,
      figure?.figure ?? null,
      range?.low ?? null,
      range?.high ?? null,
      range?.leaves ?? null,
      isWord(r) ? r.word : null,
      figure?.celsius ?? null,
      figure?.stone ?? null,
      isPieces(r) ? JSON.stringify(r.pieces) : null,
      r.at ? moment(r.at) : null,
    ],
  )
}

export const insertVoid = (sql: Sql, readingId: string, reason: string) =>
  sql.rows('INSERT INTO reading_void (reading_id, reason) VALUES ($1,$2)', [readingId, reason])
export interface ReadingRow {
  id: string
  trial_id: string
  point: string
  start_nm: Nm | null
  far_nm: Nm | null
  back_nm: Nm | null
  spring_back: boolean
  figure_nm: Nm | null
  low_nm: Nm | null
  high_nm: Nm | null
  leaves: number | null
  word: string | null
  celsius: number | null
  stone: Stone | null
  pieces: string[] | null
  at: Date
  reason: string | null
}

export function readingOf(r: ReadingRow): PointReading {
  const head = { id: r.id, point: r.point, at: r.at.toISOString(), ...(r.reason === null ? {} : { voided: { reason: r.reason } }) }
  if (r.figure_nm !== null)
    return {
      ...head,
      figure: r.figure_nm,
      ...(r.celsius === null ? {} : { celsius: r.celsius }),
      ...(r.stone === null ? {} : { stone: r.stone }),
    }
  if (r.pieces !== null) return { ...head, pieces: r.pieces }
  if (r.low_nm !== null) return { ...head, low: r.low_nm, high: r.high_nm!, ...(r.leaves === null ? {} : { leaves: r.leaves }) }
  if (r.word !== null) return { ...head, word: r.word }
  return { ...head, start: r.start_nm!, far: r.far_nm!, back: r.back_nm!, ...(r.spring_back ? { springBack: true } : {}) }
}

/** Pooled spread of each gauge on this kind of check, from every other check: s² = Σ(n−1)s²/Σ(n−1). */
export async function historyOf(sql: Sql, check: CheckRow): Promise<Record<string, Pooled>> {
  const rows = await sql.rows<{ gauge: string; point: string; setup: CheckRow['setup']; n: number; variance: number }>(
    `
    SELECT s.gauge_id AS gauge, r.point, c.setup, count(*)::integer AS n, var_samp(COALESCE(r.figure_nm, r.far_nm - (r.start_nm + r.back_nm) / 2.0))::double precision AS variance
    FROM reading r JOIN series s ON s.id = r.series_id JOIN trial t ON t.id = s.trial_id JOIN checks c ON c.id = t.check_id
    WHERE s.gauge_id IN (SELECT gauge_id FROM check_gauge WHERE check_id = $2) AND c.kind = $1 AND c.id <> $2 AND NOT r.spring_back AND r.low_nm IS NULL AND num_nonnulls(r.word, r.pieces) = 0
      AND NOT EXISTS (SELECT 1 FROM reading_void v WHERE v.reading_id = r.id)
    GROUP BY s.id, s.gauge_id, r.point, c.id, c.setup HAVING count(*) > 2`,
    [check.kind, check.id],
  )
  // Other pieces, other passes: their differences are no repeatability.
  const repeats = rows.filter(
    row =>
      ways[
        checkKind(check.kind)
          .points(row.setup)
          .find(point => point.id === row.point)?.way ?? 'word'
      ].again !== 'another',
  )
  return Object.fromEntries(
    groups(repeats, row => row.gauge).map(([gauge, all]) => {
      const nu = all.reduce((sum, row) => sum + row.n - 1, 0)
      return [gauge, { s: Math.sqrt(all.reduce((sum, row) => sum + (row.n - 1) * row.variance, 0) / nu), nu }]
    }),
  )
}
