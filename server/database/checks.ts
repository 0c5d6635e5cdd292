import { groups } from 'd3-array'
import type { CheckDocument, CheckLimits, LimitPair, PointReading, SignOff, Tick, Trial } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import { ways } from '#core/method/ways'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Pooled } from '#core/reading/estimate'
import { isFigure, isPieces, isRange, isRepeat, isWord, type Stone } from '#core/reading/reading'
import type { LimitSet, LimitSource } from '#core/verdict/limits'
import type { Pack } from '#core/pack/lot'
import type { Sql } from './client'
import { gaugesOfCheck } from './gauges'
import { lapsOf } from './laps'
import { changesOfCheck, partsOfCheck } from './parts'

/** 31 February becomes 3 March here instead of an error of the database. */
const moment = (at: string) => new Date(at).toISOString()

export interface CheckRow {
  id: string
  job_id: string
  position: number
  kind: string
  title: string
  entry_unit: LengthUnit
  setup: Record<string, string>
  working: 'book' | 'shop'
  rule: 'plain' | 'guarded'
  aim: CheckDocument['aim']
  pack_rules: CheckDocument['packRules']
  family: string
  u_refit: number
  tip_angle: number
  version: number
}

export const checkRow = async (sql: Sql, id: string): Promise<CheckRow | undefined> =>
  (await sql.rows<CheckRow>('SELECT * FROM checks WHERE id = $1', [id]))[0]
export const checkIdsOfJob = async (sql: Sql, jobId: string) =>
  (await sql.rows<{ id: string }>('SELECT id FROM checks WHERE job_id = $1 ORDER BY position, id', [jobId])).map(row => row.id)

type Settings = Pick<
  CheckDocument,
  'id' | 'kind' | 'title' | 'entryUnit' | 'setup' | 'rule' | 'aim' | 'packRules' | 'family' | 'uRefit' | 'tipAngle'
> & { working: 'book' | 'shop' }

const settingValues = (c: Settings) => [
  c.id,
  c.title,
  c.entryUnit,
  JSON.stringify(c.setup),
  c.working,
  c.rule,
  JSON.stringify(c.aim),
  JSON.stringify(c.packRules),
  c.family,
  c.uRefit,
  c.tipAngle,
]

export const insertCheck = (sql: Sql, jobId: string, c: Settings) =>
  sql.rows(
    `INSERT INTO checks (id, title, entry_unit, setup, working, rule, aim, pack_rules, family, u_refit, tip_angle, job_id, kind, position)
   VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,(SELECT COALESCE(max(position), 0) + 1 FROM checks WHERE job_id = $12))`,
    [...settingValues(c), jobId, c.kind],
  )

export const updateSettings = (sql: Sql, c: Settings) =>
  sql.rows(
    'UPDATE checks SET title=$2, entry_unit=$3, setup=$4, working=$5, rule=$6, aim=$7, pack_rules=$8, family=$9, u_refit=$10, tip_angle=$11 WHERE id=$1',
    settingValues(c),
  )

/** What the lists show of a check. */
export interface ListedAnswer {
  readonly state: string
  readonly word: string
  /** why it is stale, or what is to be done next */ readonly note: string
  readonly figure: number | null
}
export const recordAnswer = (sql: Sql, id: string, version: number, a: ListedAnswer) =>
  sql.rows('UPDATE checks SET version = $2, state = $3, word = $4, note = $5, figure = $6 WHERE id = $1', [
    id,
    version,
    a.state,
    a.word,
    a.note,
    a.figure,
  ])

export const insertLimits = (sql: Sql, checkId: string, result: string, role: 'book' | 'shop', l: LimitSet | null) =>
  sql.rows(
    'INSERT INTO limit_set (check_id, result, role, kind, lower_nm, upper_nm, lower_excluded, upper_excluded, figure_nm, unit, source) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11)',
    [
      checkId,
      result,
      role,
      l?.kind ?? null,
      l?.lower ?? null,
      l?.upper ?? null,
      l?.lowerExcluded ?? null,
      l?.upperExcluded ?? null,
      l?.figure ?? null,
      l?.unit ?? null,
      l ? JSON.stringify(l.source) : null,
    ],
  )

interface LimitRow {
  result: string
  role: 'book' | 'shop'
  kind: LimitSet['kind'] | null
  lower_nm: Nm | null
  upper_nm: Nm | null
  lower_excluded: boolean | null
  upper_excluded: boolean | null
  figure_nm: Nm | null
  unit: LengthUnit
  source: LimitSource
}

const limitSetOf = (row: LimitRow): LimitSet | null =>
  row.kind === null
    ? null
    : {
        kind: row.kind,
        unit: row.unit,
        source: row.source,
        ...(row.lower_nm === null ? {} : { lower: row.lower_nm }),
        ...(row.upper_nm === null ? {} : { upper: row.upper_nm }),
        ...(row.figure_nm === null ? {} : { figure: row.figure_nm }),
        ...(row.lower_excluded ? { lowerExcluded: true } : {}),
        ...(row.upper_excluded ? { upperExcluded: true } : {}),
      }

async function limitSetsOf(sql: Sql, checkId: string): Promise<CheckLimits['sets']> {
  const rows = await sql.rows<LimitRow>(
    'SELECT DISTINCT ON (result, role) * FROM limit_set WHERE check_id = $1 ORDER BY result, role, id DESC',
    [checkId],
  )
  const sets: Record<string, LimitPair> = {}
  for (const row of rows) {
    const set = limitSetOf(row)
    if (set) sets[row.result] = { ...(sets[row.result] ?? { book: null, shop: null }), [row.role]: set }
  }
  return sets
}

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
export const insertTick = (sql: Sql, checkId: string, trialId: string | null, step: string, ticked: boolean) =>
  sql.rows('INSERT INTO step_tick (check_id, trial_id, step, ticked) VALUES ($1,$2,$3,$4)', [checkId, trialId, step, ticked])

interface ReadingRow {
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

function readingOf(r: ReadingRow): PointReading {
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

export const ticksOf = (sql: Sql, checkId: string): Promise<Tick[]> =>
  sql.rows<Tick>(
    'SELECT step, trial FROM (SELECT DISTINCT ON (step, trial_id) step, trial_id AS trial, ticked FROM step_tick WHERE check_id = $1 ORDER BY step, trial_id, id DESC) newest WHERE ticked ORDER BY step, trial',
    [checkId],
  )

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

/** Everything of a check, as `core` evaluates it. */
export async function checkDocument(sql: Sql, row: CheckRow): Promise<CheckDocument> {
  return {
    id: row.id,
    kind: row.kind,
    title: row.title,
    entryUnit: row.entry_unit,
    setup: row.setup,
    limits: { working: row.working, sets: await limitSetsOf(sql, row.id) },
    rule: row.rule,
    aim: row.aim,
    packRules: row.pack_rules,
    family: row.family,
    uRefit: row.u_refit as Nm,
    tipAngle: row.tip_angle,
    gauges: await gaugesOfCheck(sql, row.id),
    history: await historyOf(sql, row),
    trials: await trialsOf(sql, row.id),
    ticks: await ticksOf(sql, row.id),
    laps: await lapsOf(sql, row.id),
    parts: await partsOfCheck(sql, row.id),
    partChanges: await changesOfCheck(sql, row.id),
    signOff: signOffOf(await openSignOff(sql, row.id)),
  }
}
