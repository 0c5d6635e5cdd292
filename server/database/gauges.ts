import { createHash } from 'node:crypto'
import type { BoreKit } from '#core/method/bore-gauge/builder'
import type { GaugeCheck } from '#core/shop/shop'
import type { DoubtfulCheck } from '#shared/record'
import type { RegisteredGauge } from '#shared/types'
import type { CheckDocument } from '#core/check/document'
import type { Gauge, GaugeKind } from '#core/reading/gauge'
import type { Exact, Unit } from '#core/quantity/figure'
import { insertRows } from './bulk'
import type { Sql } from './client'

export interface GaugeRow {
  id: string
  name: string
  kind: string
  unit: string
  graduation: number
  readable_fraction: number
  permissible_error: number
  repeatability: number
  hysteresis: number
  range_per_turn: number | null
  range_low: number | null
  range_high: number | null
  sense: Gauge['sense']
  sizes: Exact[]
  widest_nm: Exact | null
  last_check: string | null
  due: string | null
  zeroed_on: string | null
  found_wrong: string | null
  version: number
}

const gaugeOf = (row: GaugeRow): Gauge => ({
  id: row.id,
  name: row.name,
  kind: row.kind as GaugeKind,
  unit: row.unit as Unit,
  graduation: row.graduation as Exact,
  readableFraction: row.readable_fraction,
  permissibleError: row.permissible_error as Exact,
  repeatability: row.repeatability as Exact,
  hysteresis: row.hysteresis as Exact,
  rangePerTurn: row.range_per_turn as Exact | null,
  range: row.range_low === null || row.range_high === null ? null : { low: row.range_low as Exact, high: row.range_high as Exact },
  sense: row.sense,
  sizes: row.sizes,
  widest: row.widest_nm,
  lastCheck: row.last_check,
  due: row.due,
  zeroedOn: row.zeroed_on,
  ...(row.found_wrong === null ? {} : { foundWrong: row.found_wrong }),
})

const REGISTERED = `SELECT g.*, k.kit, (SELECT count(*) FROM check_gauge c WHERE c.gauge_id = g.id)::integer AS uses FROM gauge g LEFT JOIN bore_kit k ON k.gauge_id = g.id`
type RegisteredRow = GaugeRow & Pick<RegisteredGauge, 'kit' | 'uses'>
const registered = (row: RegisteredRow): RegisteredGauge => ({ ...gaugeOf(row), version: row.version, kit: row.kit, uses: row.uses })

export const allGauges = async (sql: Sql) => (await sql.rows<RegisteredRow>(`${REGISTERED} ORDER BY g.kind, g.name, g.id`)).map(registered)
/** What gauges are called, without what they are used for. */
export const gaugeNames = (sql: Sql) =>
  sql.rows<{ id: string; name: string; kind: GaugeKind }>('SELECT id, name, kind FROM gauge ORDER BY name, id')
export const gaugesNamed = (sql: Sql, text: string) =>
  sql.rows<{ id: string; name: string }>(
    'SELECT id, name FROM gauge WHERE lower(name) = lower($1) OR lower(id) = lower($1) ORDER BY id LIMIT 9',
    [text],
  )
export const gaugeById = async (sql: Sql, id: string) =>
  (await sql.rows<RegisteredRow>(`${REGISTERED} WHERE g.id = $1`, [id])).map(registered)[0]
export async function keepKit(sql: Sql, gaugeId: string, kit: BoreKit): Promise<void> {
  await sql.rows('INSERT INTO bore_kit (gauge_id, kit) VALUES ($1,$2) ON CONFLICT (gauge_id) DO UPDATE SET kit = $2', [
    gaugeId,
    JSON.stringify(kit),
  ])
  await sql.rows('UPDATE gauge SET version = version + 1 WHERE id = $1', [gaugeId])
}

const values = (g: Gauge) => [
  g.id,
  g.name,
  g.kind,
  g.unit,
  g.graduation,
  g.readableFraction,
  g.permissibleError,
  g.repeatability,
  g.hysteresis,
  g.rangePerTurn,
  g.lastCheck,
  g.range?.low ?? null,
  g.range?.high ?? null,
  g.sense,
  JSON.stringify(g.sizes),
  g.due,
  g.zeroedOn,
  g.widest,
]

/** Adds a gauge; one that is known by its id stays as it is. True when it was added. */
export async function insertGauge(sql: Sql, gauge: Gauge): Promise<boolean> {
  const added = await sql.rows(
    'INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_per_turn, last_check, range_low, range_high, sense, sizes, due, zeroed_on, widest_nm) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,$14,$15,$16,$17,$18) ON CONFLICT (id) DO NOTHING RETURNING id',
    values(gauge),
  )
  return added.length > 0
}

/** What makes a gauge the one it is: what goes into the uncertainty of its readings. */
const particulars = ({ lastCheck: _, due: __, zeroedOn: ___, foundWrong: ____, ...gauge }: Gauge) =>
  JSON.stringify(Object.entries(gauge).sort())

/**
 * Takes a gauge of a file into the register. One that is known by its id but is not the same is another gauge, under an id of its own.
 * @param arrival  the import it comes with
 * @returns the id it has here
 */
export async function admitGauge(sql: Sql, gauge: Gauge, arrival: string): Promise<string> {
  const known = await gaugeById(sql, gauge.id)
  if (!known) {
    await arriving(gauge)
    return gauge.id
  }
  const { version: _, kit: __, uses: ___, ...here } = known
  if (particulars(here) === particulars(gauge)) return gauge.id
  const id = `${gauge.id.slice(0, 50)}:${createHash('sha256').update(particulars(gauge)).digest('hex').slice(0, 12)}`
  await arriving({ ...gauge, id })
  return id

  async function arriving(fresh: Gauge): Promise<void> {
    if (await insertGauge(sql, fresh)) await sql.rows('UPDATE gauge SET arriving = $2 WHERE id = $1', [fresh.id, arrival])
  }
}

export const updateGauge = (sql: Sql, gauge: Gauge) =>
  sql.rows(
    'UPDATE gauge SET name=$2, kind=$3, unit=$4, graduation=$5, readable_fraction=$6, permissible_error=$7, repeatability=$8, hysteresis=$9, range_per_turn=$10, last_check=$11, range_low=$12, range_high=$13, sense=$14, sizes=$15, due=$16, zeroed_on=$17, widest_nm=$18, version = version + 1 WHERE id=$1',
    values(gauge),
  )

/** The gauges in use on a check. */
export const GAUGES =
  'SELECT u.kind AS key, g.* FROM check_gauge u JOIN gauge g ON g.id = u.gauge_id WHERE u.check_id = c.id ORDER BY u.kind'
export type UsedGaugeRow = GaugeRow & { readonly key: string }
/** By what the check keeps each under. */
export const gaugesOf = (rows: readonly UsedGaugeRow[]): CheckDocument['gauges'] =>
  Object.fromEntries(rows.map(row => [row.key, gaugeOf(row)]))

/** @param key  its kind, or `kind:tool` */
export const useGauge = (sql: Sql, checkId: string, key: string, gaugeId: string) =>
  sql.rows(
    'INSERT INTO check_gauge (check_id, kind, gauge_id) VALUES ($1,$2,$3) ON CONFLICT (check_id, kind) DO UPDATE SET gauge_id = $3',
    [checkId, key, gaugeId],
  )

/** What came out when a gauge was checked, the newest first. */
export const checksOfGauge = (sql: Sql, id: string) =>
  sql.rows<GaugeCheck>(
    'SELECT id, on_day AS on, good, note, by_name AS by FROM gauge_check WHERE gauge_id = $1 ORDER BY on_day DESC, at DESC, id LIMIT 100',
    [id],
  )
export const insertGaugeCheck = (sql: Sql, gaugeId: string, { id, on, good, note, by }: GaugeCheck) =>
  insertRows(sql, 'gauge_check', [{ id, gauge_id: gaugeId, on_day: on, good, note, by_name: by }])
export const setChecked = (sql: Sql, id: string, lastCheck: string | null, due: string | null, foundWrong: string | null) =>
  sql.rows('UPDATE gauge SET last_check = $2, due = $3, found_wrong = $4, version = version + 1 WHERE id = $1', [
    id,
    lastCheck,
    due,
    foundWrong,
  ])

export const setZeroed = async (sql: Sql, id: string, on: string): Promise<void> =>
  void (await sql.rows('UPDATE gauge SET zeroed_on = $2 WHERE id = $1', [id, on]))

/** Checks with readings that were taken with a gauge on a day or later, the newest first. @param day  null: ever */
export const readWith = (sql: Sql, gaugeId: string, day: string | null) =>
  sql.rows<DoubtfulCheck>(
    `SELECT c.id, c.title, unit.name AS unit, job.title AS job, c.signed, count(*)::integer AS readings,
      to_char(min(r.at), 'YYYY-MM-DD') AS first, to_char(max(r.at), 'YYYY-MM-DD') AS last
    FROM series s JOIN reading r ON r.series_id = s.id JOIN trial t ON t.id = s.trial_id JOIN checks c ON c.id = t.check_id
    JOIN job ON job.id = c.job_id JOIN unit ON unit.id = job.unit_id
    WHERE s.gauge_id = $1 AND c.removed_at IS NULL AND job.removed_at IS NULL AND ($2::text IS NULL OR to_char(r.at, 'YYYY-MM-DD') >= $2)
      AND NOT EXISTS (SELECT 1 FROM reading_void v WHERE v.reading_id = r.id)
    GROUP BY c.id, unit.name, job.title ORDER BY max(r.at) DESC, c.id`,
    [gaugeId, day],
  )
