import type { Tick, Trial } from '#core/check/document'
import type { Pack } from '#core/pack/lot'
import type { Sql } from './client'
import { moment } from './moment'
import { readingOf, type ReadingRow } from './readings'

/** A fitting with its predictions, the places taken apart for it, and the packs that are known. */
export async function insertTrial(sql: Sql, checkId: string, trial: Omit<Trial, 'readings'>): Promise<void> {
  await sql.rows(
    'INSERT INTO trial (id, check_id, ordinal, at) VALUES ($1,$2,(SELECT COALESCE(max(ordinal), 0) + 1 FROM trial WHERE check_id = $2),$3)',
    [trial.id, checkId, moment(trial.at)],
  )
  for (const place of trial.refitted) await sql.rows('INSERT INTO trial_refit (trial_id, place) VALUES ($1,$2)', [trial.id, place])
  for (const [result, p] of Object.entries(trial.predicted))
    await sql.rows('INSERT INTO prediction (trial_id, result, play, u, u_own) VALUES ($1,$2,$3,$4,$5)', [
      trial.id,
      result,
      p.play,
      p.u,
      p.uOwn,
    ])
  for (const [place, pack] of Object.entries(trial.packs)) if (pack) await listPack(sql, trial.id, place, pack)
}

export async function listPack(sql: Sql, trialId: string, place: string, pack: Pack): Promise<void> {
  const [listing] = await sql.rows<{ id: number }>('INSERT INTO pack_listing (trial_id, place) VALUES ($1,$2) RETURNING id', [
    trialId,
    place,
  ])
  for (const piece of pack)
    await sql.rows('INSERT INTO trial_piece (listing_id, lot_id, count) VALUES ($1,$2,$3)', [listing!.id, piece.lotId, piece.count])
}

export async function trialsOf(sql: Sql, checkId: string): Promise<Trial[]> {
  const ofCheck = 'JOIN trial t ON t.id = x.trial_id WHERE t.check_id = $1'
  const trials = await sql.rows<{ id: string; at: Date }>('SELECT * FROM trial WHERE check_id = $1 ORDER BY ordinal', [checkId])
  const listings = await sql.rows<{ id: number; trial_id: string; place: string }>(
    `SELECT DISTINCT ON (x.trial_id, x.place) x.* FROM pack_listing x ${ofCheck} ORDER BY x.trial_id, x.place, x.id DESC`,
    [checkId],
  )
  const pieces = await sql.rows<{ listing_id: number; lot_id: string; count: number }>(
    `SELECT p.* FROM trial_piece p JOIN pack_listing x ON x.id = p.listing_id ${ofCheck} ORDER BY p.lot_id`,
    [checkId],
  )
  const refits = await sql.rows<{ trial_id: string; place: string }>(`SELECT x.* FROM trial_refit x ${ofCheck} ORDER BY x.place`, [checkId])
  const predictions = await sql.rows<{ trial_id: string; result: string; play: number; u: number; u_own: number }>(
    `SELECT x.* FROM prediction x ${ofCheck}`,
    [checkId],
  )
  const readings = await sql.rows<ReadingRow>(
    `SELECT r.*, x.trial_id, v.reason FROM reading r JOIN series x ON x.id = r.series_id LEFT JOIN reading_void v ON v.reading_id = r.id ${ofCheck} ORDER BY r.ordinal`,
    [checkId],
  )
  const packOf = (listing: number): Pack => pieces.filter(p => p.listing_id === listing).map(p => ({ lotId: p.lot_id, count: p.count }))
  return trials.map(({ id, at }) => ({
    id,
    at: at.toISOString(),
    packs: Object.fromEntries(listings.filter(l => l.trial_id === id).map(l => [l.place, packOf(l.id)])),
    refitted: refits.filter(r => r.trial_id === id).map(r => r.place),
    predicted: Object.fromEntries(predictions.filter(p => p.trial_id === id).map(p => [p.result, { play: p.play, u: p.u, uOwn: p.u_own }])),
    readings: readings.filter(r => r.trial_id === id).map(readingOf),
  }))
}

export const insertTick = (sql: Sql, checkId: string, trialId: string | null, step: string, ticked: boolean) =>
  sql.rows('INSERT INTO step_tick (check_id, trial_id, step, ticked) VALUES ($1,$2,$3,$4)', [checkId, trialId, step, ticked])

export const ticksOf = (sql: Sql, checkId: string): Promise<Tick[]> =>
  sql.rows<Tick>(
    'SELECT step, trial FROM (SELECT DISTINCT ON (step, trial_id) step, trial_id AS trial, ticked FROM step_tick WHERE check_id = $1 ORDER BY step, trial_id, id DESC) newest WHERE ticked ORDER BY step, trial',
    [checkId],
  )
