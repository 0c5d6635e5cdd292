import type { CheckDocument, PointReading, SignOff, Tick, Trial } from '#core/check/document'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Gauge } from '#core/reading/gauge'
import type { Pooled } from '#core/reading/estimate'
import type { LimitSet, LimitSource } from '#core/verdict/limits'
import type { Pack } from '#core/pack/lot'
import type { Sql } from './client'

/** 31 February becomes 3 March here instead of an error of the database. */
const moment = (at: string) => new Date(at).toISOString()

export interface CheckRow { id: string, job_id: string, position: number, kind: string, title: string, entry_unit: LengthUnit, setup: Record<string, string>, working: 'book' | 'shop', rule: 'plain' | 'guarded', aim: CheckDocument['aim'], pack_rules: CheckDocument['packRules'], family: string, u_refit: number, tip_angle: number, gauge_id: string, stale: string | null, version: number }

export const checkRow = async (sql: Sql, id: string): Promise<CheckRow | undefined> => (await sql.rows<CheckRow>('SELECT * FROM checks WHERE id = $1', [id]))[0]
export const checkIdsOfJob = async (sql: Sql, jobId: string) => (await sql.rows<{ id: string }>('SELECT id FROM checks WHERE job_id = $1 ORDER BY position, id', [jobId])).map(row => row.id)

type Settings = Pick<CheckDocument, 'id' | 'kind' | 'title' | 'entryUnit' | 'setup' | 'rule' | 'aim' | 'packRules' | 'family' | 'uRefit' | 'tipAngle' | 'stale'> & { working: 'book' | 'shop', gaugeId: string }

const settingValues = (c: Settings) => [c.id, c.title, c.entryUnit, JSON.stringify(c.setup), c.working, c.rule, JSON.stringify(c.aim), JSON.stringify(c.packRules), c.family, c.uRefit, c.tipAngle, c.gaugeId, c.stale]

export const insertCheck = (sql: Sql, jobId: string, c: Settings) => sql.rows(
  `INSERT INTO checks (id, title, entry_unit, setup, working, rule, aim, pack_rules, family, u_refit, tip_angle, gauge_id, stale, job_id, kind, position)
   VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,$14,$15,(SELECT COALESCE(max(position), 0) + 1 FROM checks WHERE job_id = $14))`, [...settingValues(c), jobId, c.kind])

export const updateSettings = (sql: Sql, c: Settings) => sql.rows(
  'UPDATE checks SET title=$2, entry_unit=$3, setup=$4, working=$5, rule=$6, aim=$7, pack_rules=$8, family=$9, u_refit=$10, tip_angle=$11, gauge_id=$12, stale=$13 WHERE id=$1', settingValues(c))

export const recordAnswer = (sql: Sql, id: string, version: number, state: string, figure: number | null) =>
  sql.rows('UPDATE checks SET version = $2, state = $3, figure = $4 WHERE id = $1', [id, version, state, figure])

export const insertLimits = (sql: Sql, checkId: string, role: 'book' | 'shop', l: LimitSet | null) => sql.rows(
  'INSERT INTO limit_set (check_id, role, kind, lower_nm, upper_nm, lower_excluded, upper_excluded, figure_nm, unit, source) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10)',
  [checkId, role, l?.kind ?? null, l?.lower ?? null, l?.upper ?? null, l?.lowerExcluded ?? null, l?.upperExcluded ?? null, l?.figure ?? null, l?.unit ?? null, l ? JSON.stringify(l.source) : null])

interface LimitRow { role: 'book' | 'shop', kind: LimitSet['kind'] | null, lower_nm: Nm | null, upper_nm: Nm | null, lower_excluded: boolean | null, upper_excluded: boolean | null, figure_nm: Nm | null, unit: LengthUnit, source: LimitSource }

export async function limitsOf(sql: Sql, checkId: string): Promise<{ book: LimitSet | null, shop: LimitSet | null }> {
  const rows = await sql.rows<LimitRow>('SELECT DISTINCT ON (role) * FROM limit_set WHERE check_id = $1 ORDER BY role, id DESC', [checkId])
  const of = (role: 'book' | 'shop'): LimitSet | null => {
    const row = rows.find(r => r.role === role)
    if (!row?.kind) return null
    return {
      kind: row.kind, unit: row.unit, source: row.source,
      ...(row.lower_nm === null ? {} : { lower: row.lower_nm }), ...(row.upper_nm === null ? {} : { upper: row.upper_nm }), ...(row.figure_nm === null ? {} : { figure: row.figure_nm }),
      ...(row.lower_excluded ? { lowerExcluded: true } : {}), ...(row.upper_excluded ? { upperExcluded: true } : {}),
    }
  }
  return { book: of('book'), shop: of('shop') }
}

export const insertTrial = (sql: Sql, checkId: string, trial: Pick<Trial, 'id' | 'at' | 'predicted'>) => sql.rows(
  'INSERT INTO trial (id, check_id, ordinal, at, predicted_play, predicted_u, predicted_u_own) VALUES ($1,$2,(SELECT COALESCE(max(ordinal), 0) + 1 FROM trial WHERE check_id = $2),$3,$4,$5,$6)',
  [trial.id, checkId, moment(trial.at), trial.predicted?.play ?? null, trial.predicted?.u ?? null, trial.predicted?.uOwn ?? null])

export async function listPack(sql: Sql, trialId: string, pack: Pack): Promise<void> {
  const [listing] = await sql.rows<{ id: number }>('INSERT INTO pack_listing (trial_id) VALUES ($1) RETURNING id', [trialId])
  for (const piece of pack) await sql.rows('INSERT INTO trial_piece (listing_id, lot_id, count) VALUES ($1,$2,$3)', [listing!.id, piece.lotId, piece.count])
}

/** The reading goes into the fitting's series with this gauge; another gauge opens another series. */
export async function insertReading(sql: Sql, trialId: string, gaugeId: string, r: PointReading): Promise<void> {
  const open = await sql.rows<{ id: number, gauge_id: string }>('SELECT id, gauge_id FROM series WHERE trial_id = $1 ORDER BY id DESC LIMIT 1', [trialId])
  const series = open[0]?.gauge_id === gaugeId ? open[0] : (await sql.rows<{ id: number }>('INSERT INTO series (trial_id, gauge_id) VALUES ($1,$2) RETURNING id', [trialId, gaugeId]))[0]!
  await sql.rows('INSERT INTO reading (id, series_id, point, start_nm, far_nm, back_nm, spring_back, at) VALUES ($1,$2,$3,$4,$5,$6,$7,COALESCE($8::timestamptz, now()))', [r.id, series.id, r.point, r.start, r.far, r.back, r.springBack ?? false, r.at ? moment(r.at) : null])
}

export const insertVoid = (sql: Sql, readingId: string, reason: string) => sql.rows('INSERT INTO reading_void (reading_id, reason) VALUES ($1,$2)', [readingId, reason])
export const insertTick = (sql: Sql, checkId: string, trialId: string | null, step: string, ticked: boolean) => sql.rows('INSERT INTO step_tick (check_id, trial_id, step, ticked) VALUES ($1,$2,$3,$4)', [checkId, trialId, step, ticked])

interface ReadingRow { id: string, trial_id: string, point: string, start_nm: Nm, far_nm: Nm, back_nm: Nm, spring_back: boolean, at: Date, reason: string | null }

const readingOf = (r: ReadingRow): PointReading => ({ id: r.id, point: r.point, start: r.start_nm, far: r.far_nm, back: r.back_nm, at: r.at.toISOString(), ...(r.spring_back ? { springBack: true } : {}), ...(r.reason === null ? {} : { voided: { reason: r.reason } }) })

export async function trialsOf(sql: Sql, checkId: string): Promise<Trial[]> {
  const trials = await sql.rows<{ id: string, at: Date, predicted_play: number | null, predicted_u: number, predicted_u_own: number, listing: number | null }>(
    'SELECT t.*, (SELECT max(id) FROM pack_listing WHERE trial_id = t.id) AS listing FROM trial t WHERE check_id = $1 ORDER BY ordinal', [checkId])
  const pieces = await sql.rows<{ listing_id: number, lot_id: string, count: number }>('SELECT p.* FROM trial_piece p JOIN pack_listing l ON l.id = p.listing_id JOIN trial t ON t.id = l.trial_id WHERE t.check_id = $1 ORDER BY p.lot_id', [checkId])
  const readings = await sql.rows<ReadingRow>('SELECT r.*, s.trial_id, v.reason FROM reading r JOIN series s ON s.id = r.series_id JOIN trial t ON t.id = s.trial_id LEFT JOIN reading_void v ON v.reading_id = r.id WHERE t.check_id = $1 ORDER BY r.ordinal', [checkId])
  return trials.map(t => ({
    id: t.id, at: t.at.toISOString(),
    pack: t.listing === null ? null : pieces.filter(p => p.listing_id === t.listing).map(p => ({ lotId: p.lot_id, count: p.count })),
    predicted: t.predicted_play === null ? null : { play: t.predicted_play, u: t.predicted_u, uOwn: t.predicted_u_own },
    readings: readings.filter(r => r.trial_id === t.id).map(readingOf),
  }))
}

export const ticksOf = (sql: Sql, checkId: string): Promise<Tick[]> => sql.rows<Tick>(
  'SELECT step, trial FROM (SELECT DISTINCT ON (step, trial_id) step, trial_id AS trial, ticked FROM step_tick WHERE check_id = $1 ORDER BY step, trial_id, id DESC) newest WHERE ticked ORDER BY step, trial', [checkId])

export interface SignOffRow { id: string, at: Date, by_name: string, reason: string | null, core_version: string }
export const openSignOff = async (sql: Sql, checkId: string): Promise<SignOffRow | undefined> =>
  (await sql.rows<SignOffRow>('SELECT s.* FROM sign_off s WHERE check_id = $1 AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id) ORDER BY at DESC LIMIT 1', [checkId]))[0]
export const signOffOf = (row: SignOffRow | undefined): SignOff | null => (row ? { at: row.at.toISOString(), by: row.by_name, reason: row.reason, core: row.core_version } : null)

export const insertSignOff = (sql: Sql, id: string, checkId: string, s: SignOff, record: unknown) =>
  sql.rows('INSERT INTO sign_off (id, check_id, at, by_name, reason, core_version, record) VALUES ($1,$2,$3,$4,$5,$6,$7)', [id, checkId, moment(s.at), s.by, s.reason, s.core, JSON.stringify(record)])
export const insertReopening = (sql: Sql, signOffId: string, reason: string, by: string) => sql.rows('INSERT INTO reopening (sign_off_id, reason, by_name) VALUES ($1,$2,$3)', [signOffId, reason, by])

/** Pooled spread of this gauge on this kind of check, from every other check: s² = Σ(n−1)s²/Σ(n−1). */
export async function historyOf(sql: Sql, check: CheckRow): Promise<Pooled | null> {
  const rows = await sql.rows<{ n: number, variance: number }>(`
    SELECT count(*)::integer AS n, var_samp(r.far_nm - (r.start_nm + r.back_nm) / 2.0)::double precision AS variance
    FROM reading r JOIN series s ON s.id = r.series_id JOIN trial t ON t.id = s.trial_id JOIN checks c ON c.id = t.check_id
    WHERE s.gauge_id = $1 AND c.kind = $2 AND c.id <> $3 AND NOT r.spring_back AND NOT EXISTS (SELECT 1 FROM reading_void v WHERE v.reading_id = r.id)
    GROUP BY s.id HAVING count(*) > 2`, [check.gauge_id, check.kind, check.id])
  const nu = rows.reduce((sum, row) => sum + row.n - 1, 0)
  return nu === 0 ? null : { s: Math.sqrt(rows.reduce((sum, row) => sum + (row.n - 1) * row.variance, 0) / nu), nu }
}

/** Everything of a check, as `core` evaluates it. */
export async function checkDocument(sql: Sql, row: CheckRow, gauge: Gauge): Promise<CheckDocument> {
  return {
    id: row.id, kind: row.kind, title: row.title, entryUnit: row.entry_unit, setup: row.setup,
    limits: { ...await limitsOf(sql, row.id), working: row.working },
    rule: row.rule, aim: row.aim, packRules: row.pack_rules, family: row.family, uRefit: row.u_refit as Nm, tipAngle: row.tip_angle, gauge,
    history: await historyOf(sql, row),
    trials: await trialsOf(sql, row.id), ticks: await ticksOf(sql, row.id), stale: row.stale,
    signOff: signOffOf(await openSignOff(sql, row.id)),
  }
}
