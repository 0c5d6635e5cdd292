import type { PointReading } from '#core/check/document'
import type { Spread } from '#core/check/evaluate/repeatability'
import type { Nm } from '#core/quantity/length'
import type { Torque } from '#core/quantity/measure'
import type { Pooled } from '#core/reading/estimate'
import { isFigure, isPieces, isRange, isRepeat, isWord, type Stone } from '#core/reading/reading'
import type { Sql } from './client'
import { moment } from './moment'

/** Said of a reading that is being taken. */
export const HERE = 'here'

/** A reading as its row holds it, but for its series and its place in the order. */
export function readingColumns(r: PointReading) {
  const travel = isRepeat(r) ? r : null
  const range = isRange(r) ? r : null
  const figure = isFigure(r) ? r : null
  return {
    id: r.id,
    point: r.point,
    start_nm: travel?.start ?? null,
    far_nm: travel?.far ?? null,
    back_nm: travel?.back ?? null,
    spring_back: travel?.springBack ?? false,
    figure_nm: figure?.figure ?? null,
    low_nm: range?.low ?? null,
    high_nm: range?.high ?? null,
    leaves: range?.leaves ?? null,
    word: isWord(r) ? r.word : null,
    torque_nnm: (isWord(r) ? r.torque : undefined) ?? null,
    celsius: figure?.celsius ?? null,
    hot: figure?.hot ?? false,
    stone: figure?.stone ?? null,
    pieces: isPieces(r) ? r.pieces : null,
    at: moment(r.at ?? new Date().toISOString()),
  }
}

/**
 * The reading goes into the fitting's series with its gauge (none: none was used); another gauge opens another series.
 * @param taken  where it was first taken, `shop/id`; null: nobody knows; HERE: in this workshop, now
 * @returns its place in the order of what happened
 */
export async function insertReading(
  sql: Sql,
  trialId: string,
  r: PointReading,
  taken: string | null,
): Promise<{ order: number; taken: string | null }> {
  const c = readingColumns(r)
  const [stored] = await sql.rows<{ order: number; taken: string | null }>(
    `WITH open AS (SELECT id FROM series WHERE trial_id = $1 AND gauge_id IS NOT DISTINCT FROM $2 ORDER BY id DESC LIMIT 1),
      made AS (INSERT INTO series (trial_id, gauge_id) SELECT $1, $2 WHERE NOT EXISTS (SELECT 1 FROM open) RETURNING id)
    INSERT INTO reading (series_id, id, point, start_nm, far_nm, back_nm, spring_back, figure_nm, low_nm, high_nm, leaves, word, celsius, stone, pieces, at, taken, hot, torque_nnm)
    SELECT s.id, $3,$4,$5::bigint,$6::bigint,$7::bigint,$8::boolean,$9::bigint,$10::bigint,$11::bigint,$12::integer,$13::text,$14::double precision,$15::text,$16::jsonb,
      COALESCE($17::timestamptz, now()), CASE WHEN $18::text = '${HERE}' THEN (SELECT w.id FROM workshop w) || '/' || $3 ELSE $18::text END, $19::boolean, $20::bigint
    FROM (SELECT id FROM open UNION ALL SELECT id FROM made) s
    RETURNING seq AS "order", taken`,
    [
      trialId,
      r.gauge ?? null,
      c.id,
      c.point,
      c.start_nm,
      c.far_nm,
      c.back_nm,
      c.spring_back,
      c.figure_nm,
      c.low_nm,
      c.high_nm,
      c.leaves,
      c.word,
      c.celsius,
      c.stone,
      c.pieces && JSON.stringify(c.pieces),
      r.at ? c.at : null,
      taken,
      c.hot,
      c.torque_nnm,
    ],
  )
  return stored!
}

export const insertVoid = (sql: Sql, readingId: string, reason: string) =>
  sql.rows('INSERT INTO reading_void (reading_id, reason) VALUES ($1,$2)', [readingId, reason])

/** Readings of a check, oldest first. */
export const READINGS = `SELECT r.*, s.trial_id, s.gauge_id, v.reason FROM reading r JOIN series s ON s.id = r.series_id JOIN trial t ON t.id = s.trial_id
  LEFT JOIN reading_void v ON v.reading_id = r.id WHERE t.check_id = c.id ORDER BY r.ordinal`
export interface ReadingRow {
  id: string
  trial_id: string
  gauge_id: string | null
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
  torque_nnm: Torque | null
  celsius: number | null
  hot: boolean
  stone: Stone | null
  pieces: string[] | null
  at: string
  seq: number
  taken: string | null
  reason: string | null
}

export function readingOf(r: ReadingRow): PointReading {
  const head = {
    id: r.id,
    point: r.point,
    at: moment(r.at),
    order: r.seq,
    ...(r.gauge_id === null ? {} : { gauge: r.gauge_id }),
    ...(r.taken === null ? {} : { taken: r.taken }),
    ...(r.reason === null ? {} : { voided: { reason: r.reason } }),
  }
  if (r.figure_nm !== null)
    return {
      ...head,
      figure: r.figure_nm,
      ...(r.celsius === null ? {} : { celsius: r.celsius }),
      ...(r.hot ? { hot: true as const } : {}),
      ...(r.stone === null ? {} : { stone: r.stone }),
    }
  if (r.pieces !== null) return { ...head, pieces: r.pieces }
  if (r.low_nm !== null) return { ...head, low: r.low_nm, high: r.high_nm!, ...(r.leaves === null ? {} : { leaves: r.leaves }) }
  if (r.word !== null) return { ...head, word: r.word, ...(r.torque_nnm === null ? {} : { torque: r.torque_nnm }) }
  return { ...head, start: r.start_nm!, far: r.far_nm!, back: r.back_nm!, ...(r.spring_back ? { springBack: true } : {}) }
}

/** What other checks of this kind say of the gauges in use. */
export const SPREADS = `SELECT p.gauge_id, sum(p.squares) AS squares, sum(p.nu)::integer AS nu FROM spread p JOIN check_gauge g ON g.gauge_id = p.gauge_id AND g.check_id = c.id
  WHERE p.kind = c.kind AND p.check_id <> c.id GROUP BY p.gauge_id`
export interface SpreadRow {
  gauge_id: string
  squares: number
  nu: number
}
/** What all checks said of each gauge, by `kind gauge`. */
export const pooledSpreads = async (sql: Sql): Promise<ReadonlyMap<string, Pooled>> =>
  new Map(
    (
      await sql.rows<SpreadRow & { kind: string }>(
        'SELECT kind, gauge_id, sum(squares) AS squares, sum(nu)::integer AS nu FROM spread GROUP BY kind, gauge_id',
      )
    ).map(row => [`${row.kind} ${row.gauge_id}`, historyOf([row])[row.gauge_id]!]),
  )
/** Pooled spread of each gauge: s² = Σ(n−1)s²/Σ(n−1). */
export const historyOf = (rows: readonly SpreadRow[]): Record<string, Pooled> =>
  Object.fromEntries(rows.map(({ gauge_id, squares, nu }) => [gauge_id, { s: Math.sqrt(squares / nu), nu }]))

/** What one check teaches of its gauges, in place of what it taught before. */
export async function keepSpreads(sql: Sql, check: { id: string; kind: string }, spreads: Readonly<Record<string, Spread>>): Promise<void> {
  await sql.rows('DELETE FROM spread WHERE check_id = $1', [check.id])
  for (const [gauge, { squares, nu }] of Object.entries(spreads))
    await sql.rows('INSERT INTO spread (check_id, gauge_id, kind, squares, nu) VALUES ($1,$2,$3,$4,$5)', [
      check.id,
      gauge,
      check.kind,
      squares,
      nu,
    ])
}
