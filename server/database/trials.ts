import type { Tick, Trial } from '#core/check/document'
import type { Pack, PackPiece } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import type { Sql } from './client'
import { TAKEN_BACK, insertCondition, insertLeftOut } from './conditions'
import { moment } from './moment'
import { readingOf, type ReadingRow } from './readings'

/** A fitting with its predictions, the places taken apart for it, and what is known of the packs. */
export async function insertTrial(sql: Sql, checkId: string, trial: Omit<Trial, 'readings'>): Promise<void> {
  await sql.rows(
    'INSERT INTO trial (id, check_id, ordinal, at) VALUES ($1,$2,(SELECT COALESCE(max(ordinal), 0) + 1 FROM trial WHERE check_id = $2),$3)',
    [trial.id, checkId, moment(trial.at)],
  )
  for (const place of trial.refitted) await sql.rows('INSERT INTO trial_refit (trial_id, place) VALUES ($1,$2)', [trial.id, place])
  for (const [result, p] of Object.entries(trial.predicted))
    await sql.rows('INSERT INTO prediction (trial_id, result, play, u, u_own, nu) VALUES ($1,$2,$3,$4,$5,$6)', [
      trial.id,
      result,
      p.play,
      p.u,
      p.uOwn,
      p.nu ?? null,
    ])
  for (const [condition, state] of Object.entries(trial.conditions)) await insertCondition(sql, trial.id, condition, state)
  for (const [point, reason] of Object.entries(trial.leftOut)) await insertLeftOut(sql, trial.id, point, reason)
  for (const [place, pack] of Object.entries(trial.packs))
    if (pack) await listPack(sql, trial.id, place, pack, !trial.unlisted.includes(place), trial.pieces)
}

/** @param whole  false: the place holds more than these, which nobody listed */
export async function listPack(
  sql: Sql,
  trialId: string,
  place: string,
  pack: Pack,
  whole: boolean,
  pieces: Trial['pieces'],
): Promise<void> {
  const [listing] = await sql.rows<{ id: number }>('INSERT INTO pack_listing (trial_id, place, whole) VALUES ($1,$2,$3) RETURNING id', [
    trialId,
    place,
    whole,
  ])
  for (const piece of pack)
    await sql.rows(
      'INSERT INTO trial_piece (listing_id, lot_id, count, size, measured, mark, since) VALUES ($1,$2,$3,$4,$5,$6,$7)',
      Object.values(pieceColumns(listing!.id, piece, pieces)),
    )
}

/** A piece of a listing, as it was when it was fitted. */
export function pieceColumns(listing: number, { lotId, count }: PackPiece, pieces: Trial['pieces']) {
  const was = pieces[lotId]
  return {
    listing_id: listing,
    lot_id: lotId,
    count,
    size: was?.size ?? null,
    measured: was?.measured ?? null,
    mark: was?.mark ?? null,
    since: was?.since ?? false,
  }
}

const OF_CHECK = 'JOIN trial t ON t.id = x.trial_id WHERE t.check_id = c.id'
export const TRIALS = 'SELECT t.id, t.at FROM trial t WHERE t.check_id = c.id ORDER BY t.ordinal'
/** The newest listing of each place of each fitting, with its pieces. */
export const LISTINGS = `SELECT DISTINCT ON (x.trial_id, x.place) x.trial_id, x.place, x.whole,
    (SELECT COALESCE(json_agg(json_build_object('lotId', p.lot_id, 'count', p.count, 'size', p.size, 'measured', p.measured, 'mark', p.mark, 'since', p.since) ORDER BY p.lot_id), '[]') FROM trial_piece p WHERE p.listing_id = x.id) AS pieces
  FROM pack_listing x ${OF_CHECK} ORDER BY x.trial_id, x.place, x.id DESC`
export const REFITS = `SELECT x.trial_id, x.place FROM trial_refit x ${OF_CHECK} ORDER BY x.place`
export const PREDICTIONS = `SELECT x.* FROM prediction x ${OF_CHECK} ORDER BY x.result`
export const TICKS = `SELECT step, trial FROM (SELECT DISTINCT ON (k.step, k.trial_id) k.step, k.trial_id AS trial, k.ticked, k.id FROM step_tick k WHERE k.check_id = c.id AND k.trial_id IS NOT NULL
  ORDER BY k.step, k.trial_id, k.id DESC) newest WHERE ticked ORDER BY id`

/** One piece of a listing. */
interface PieceRow {
  readonly lotId: string
  readonly count: number
  readonly size: number | null
  readonly measured: boolean | null
  readonly mark: string | null
  readonly since: boolean
}
const asFittedOf = (rows: readonly PieceRow[]): Trial['pieces'] =>
  Object.fromEntries(
    rows.flatMap(({ lotId, size, measured, mark, since }) =>
      size === null ? [] : [[lotId, { size: size as Nm, measured: measured!, mark: mark!, ...(since ? { since: true as const } : {}) }]],
    ),
  )

/** The rows of these statements. */
export interface TrialRows {
  trials: { id: string; at: string }[]
  listings: { trial_id: string; place: string; whole: boolean; pieces: PieceRow[] }[]
  refits: { trial_id: string; place: string }[]
  predictions: { trial_id: string; result: string; play: number; u: number; u_own: number; nu: number | null }[]
  conditions: { trial_id: string; condition: string; state: string }[]
  left_out: { trial_id: string; point: string; reason: string | null }[]
  readings: ReadingRow[]
}

export const trialsOf = ({ trials, listings, refits, predictions, conditions, left_out: leftOut, readings }: TrialRows): Trial[] =>
  trials.map(({ id, at }) => {
    const listed = listings.filter(listing => listing.trial_id === id)
    return {
      id,
      at: moment(at),
      packs: Object.fromEntries(listed.map(listing => [listing.place, listing.pieces.map(({ lotId, count }) => ({ lotId, count }))])),
      unlisted: listed.filter(({ whole }) => !whole).map(({ place }) => place),
      refitted: refits.filter(refit => refit.trial_id === id).map(({ place }) => place),
      predicted: Object.fromEntries(
        predictions
          .filter(p => p.trial_id === id)
          .map(p => [p.result, { play: p.play, u: p.u, uOwn: p.u_own, ...(p.nu === null ? {} : { nu: p.nu }) }]),
      ),
      conditions: Object.fromEntries(
        conditions.filter(said => said.trial_id === id && said.state !== TAKEN_BACK).map(said => [said.condition, said.state]),
      ),
      leftOut: Object.fromEntries(
        leftOut.flatMap(({ trial_id: of, point, reason }) => (of === id && reason !== null ? [[point, reason]] : [])),
      ),
      pieces: asFittedOf(listed.flatMap(({ pieces }) => pieces)),
      readings: readings.filter(reading => reading.trial_id === id).map(readingOf),
    }
  })

export const insertTick = (sql: Sql, checkId: string, { step, trial }: Tick, ticked: boolean) =>
  sql.rows('INSERT INTO step_tick (check_id, trial_id, step, ticked) VALUES ($1,$2,$3,$4)', [checkId, trial, step, ticked])
