import type { CheckDocument, Tick } from '#core/check/document'
import type { MeasureUnit } from '#core/quantity/measure'
import type { Settings as CheckSettings } from '#core/command/happening'
import type { Lot, Pack } from '#core/pack/lot'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { CheckOrder, Coming } from '#shared/orders'
import type { Sql } from './client'
import { CLEARINGS, CONDITIONS, LEFT_OUT, STRUCK, clearingOf, struckOf, type ClearingRow, type StruckRow } from './conditions'
import { GAUGES, gaugesOf, type UsedGaugeRow } from './gauges'
import { LAPS, lapOf, type LapRow } from './laps'
import { LIMITS, limitSetsOf, type LimitRow } from './limits'
import { CHANGES, PARTS, changeOf, partsOf } from './parts'
import { READINGS, SPREADS, historyOf, type SpreadRow } from './readings'
import { COMING_FOR_DRAWER, ORDERS_OF_CHECK, checkOrderOf, comingOf, type ComingRow } from './orders'
import { RESERVES, reservesOf } from './reserves'
import { REOPENED, SIGNATURE, reopeningOf, signOffOf, type SignOffRow } from './sign-offs'
import { LOTS_OF_CHECK, lotOf, type LotRow } from './stock'
import { LISTINGS, PREDICTIONS, REFITS, TICKS, TRIALS, trialsOf, type TrialRows } from './trials'

export interface CheckRow {
  id: string
  job_id: string
  position: number
  kind: string
  title: string
  entry_unit: LengthUnit
  setup: Record<string, string>
  working: CheckDocument['limits']['working']
  rule: CheckDocument['rule']
  aim: CheckDocument['aim']
  pack_rules: CheckDocument['packRules']
  family: string
  u_refit: number
  refit_cost: number | null
  slopes: CheckDocument['slopes'] | null
  tip_angle: number
  version: number
}

export const checkIdsOfJob = async (sql: Sql, jobId: string) =>
  (await sql.rows<{ id: string }>('SELECT id FROM checks WHERE job_id = $1 AND removed_at IS NULL ORDER BY position, id', [jobId])).map(
    row => row.id,
  )

type Settings = CheckSettings & { readonly id: string }

export const checkColumns = (c: Settings) => ({
  id: c.id,
  title: c.title,
  entry_unit: c.entryUnit,
  setup: c.setup,
  working: c.working,
  rule: c.rule,
  aim: c.aim,
  pack_rules: c.packRules,
  family: c.family,
  u_refit: c.uRefit,
  tip_angle: c.tipAngle,
  refit_cost: c.refitCost ?? null,
  slopes: c.slopes ?? null,
})
const settingValues = (c: Settings) =>
  Object.values(checkColumns(c)).map(value => (typeof value === 'object' && value !== null ? JSON.stringify(value) : value))

export const insertCheck = (sql: Sql, jobId: string, c: Settings & { readonly kind: string }) =>
  sql.rows(
    `INSERT INTO checks (id, title, entry_unit, setup, working, rule, aim, pack_rules, family, u_refit, tip_angle, refit_cost, slopes, job_id, kind, position)
   VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,$14,$15,(SELECT COALESCE(max(position), 0) + 1 FROM checks WHERE job_id = $14))`,
    [...settingValues(c), jobId, c.kind],
  )

export const updateSettings = (sql: Sql, c: Settings) =>
  sql.rows(
    'UPDATE checks SET title=$2, entry_unit=$3, setup=$4, working=$5, rule=$6, aim=$7, pack_rules=$8, family=$9, u_refit=$10, tip_angle=$11, refit_cost=$12, slopes=$13 WHERE id=$1',
    settingValues(c),
  )

/** What the lists show of a check. */
export interface ListedAnswer {
  readonly state: string
  readonly word: string
  /** why it is stale, or what is to be done next */
  readonly note: string
  readonly figure: number | null
  /** what the figure is in, where it is no length */
  readonly measure: MeasureUnit | null
  readonly signed: boolean
  /** signed with a reason */
  readonly accepted: boolean
  /** how much is still to be done, now that the figure stands */
  readonly pending: number
}
export const listedColumns = ({ state, word, note, figure, measure, signed, accepted, pending }: ListedAnswer) => ({
  state,
  word,
  note,
  figure,
  measure,
  signed,
  accepted,
  pending,
})
/** What the lists show from now on, and the version it is of. */
export const recordAnswer = (sql: Sql, id: string, version: number, a: ListedAnswer) =>
  sql.rows(
    'UPDATE checks SET version = $2, state = $3, word = $4, note = $5, figure = $6, signed = $7, accepted = $8, pending = $9, measure = $10 WHERE id = $1',
    [id, version, a.state, a.word, a.note, a.figure, a.signed, a.accepted, a.pending, a.measure],
  )

/** The rows of a statement as one JSON array. */
const all = (statement: string) => `(SELECT COALESCE(json_agg(row_to_json(x)), '[]') FROM (${statement}) x)`
/** Its one row as JSON, or NULL. */
const one = (statement: string) => `(SELECT row_to_json(x) FROM (${statement}) x)`

/** Everything of a check in one statement, and so as it was at one moment. */
const WHOLE = {
  name: 'whole_check',
  values: 2,
  statement: `SELECT row_to_json(c) AS row,
  ${one('SELECT j.id, j.title, u.name AS unit, u.type FROM job j JOIN unit u ON u.id = j.unit_id WHERE j.id = c.job_id')} AS job,
  ${all(LIMITS)} AS limits, ${all(GAUGES)} AS gauges, ${all(SPREADS)} AS spreads, ${all(TRIALS)} AS trials, ${all(LISTINGS)} AS listings,
  ${all(REFITS)} AS refits, ${all(PREDICTIONS)} AS predictions, ${all(READINGS)} AS readings, ${all(TICKS)} AS ticks, ${all(CONDITIONS)} AS conditions, ${all(LEFT_OUT)} AS left_out, ${all(STRUCK)} AS struck, ${all(CLEARINGS)} AS clearings, ${all(LAPS)} AS laps,
  ${all(PARTS)} AS parts, ${all(CHANGES)} AS changes, ${one(SIGNATURE)} AS signature, ${one(REOPENED)} AS reopened,
  ${all(LOTS_OF_CHECK)} AS lots, ${all(RESERVES)} AS reserves, ${all(ORDERS_OF_CHECK)} AS orders, ${all(COMING_FOR_DRAWER)} AS coming,
  (SELECT id FROM workshop) AS workshop,
  EXISTS (SELECT 1 FROM event e WHERE e.id = $2) AS known
  FROM checks c WHERE c.id = $1 AND c.removed_at IS NULL`,
}

interface WholeRow extends TrialRows {
  row: CheckRow
  job: { id: string; title: string; unit: string; type: string }
  limits: LimitRow[]
  gauges: UsedGaugeRow[]
  spreads: SpreadRow[]
  ticks: Tick[]
  struck: StruckRow[]
  clearings: ClearingRow[]
  laps: LapRow[]
  parts: { role: string; part_id: string }[]
  changes: Parameters<typeof changeOf>[0][]
  signature: SignOffRow | null
  reopened: Parameters<typeof reopeningOf>[0] | null
  lots: (LotRow & { promised: number })[]
  reserves: { place: string; lot_id: string; count: number }[]
  orders: Parameters<typeof checkOrderOf>[0][]
  coming: ComingRow[]
  workshop: string
  known: boolean
}

export interface WholeCheck {
  readonly row: CheckRow
  readonly job: { readonly id: string; readonly title: string; readonly unit: string; readonly type: string }
  /** as its rows say now, whatever was signed */
  readonly document: CheckDocument
  /** what stands signed, as it was stored then; null: nothing does */
  readonly signed: unknown
  /** reserved: kept back, or promised to other checks */
  readonly lots: readonly Lot[]
  readonly reserves: Readonly<Record<string, Pack>>
  readonly orders: readonly CheckOrder[]
  readonly coming: readonly Coming[]
  readonly workshop: string
  /** the operation asked about was done already */
  readonly known: boolean
}

/** A check with the drawer it works from. @param op  an operation to ask about */
export async function wholeCheck(sql: Sql, id: string, op = ''): Promise<WholeCheck | null> {
  const [whole] = await sql.prepared<WholeRow>(WHOLE, [id, op])
  if (!whole) return null
  const { row, job, signature, workshop, known } = whole
  return {
    row,
    job,
    workshop,
    known,
    signed: signature?.inputs ?? null,
    lots: whole.lots.map(lot => {
      const { version: _, ...plain } = lotOf(lot)
      return { ...plain, reserved: plain.reserved + lot.promised }
    }),
    reserves: reservesOf(whole.reserves),
    orders: whole.orders.map(checkOrderOf),
    coming: whole.coming.map(comingOf),
    document: {
      id: row.id,
      kind: row.kind,
      title: row.title,
      entryUnit: row.entry_unit,
      setup: row.setup,
      limits: { working: row.working, sets: limitSetsOf(whole.limits) },
      rule: row.rule,
      aim: row.aim,
      packRules: row.pack_rules,
      family: row.family,
      uRefit: row.u_refit as Nm,
      ...(row.refit_cost === null ? {} : { refitCost: row.refit_cost }),
      ...(row.slopes ? { slopes: row.slopes } : {}),
      tipAngle: row.tip_angle,
      gauges: gaugesOf(whole.gauges),
      history: historyOf(whole.spreads),
      trials: trialsOf(whole),
      ticks: whole.ticks,
      struck: whole.struck.map(struckOf),
      clearings: whole.clearings.map(clearingOf),
      laps: whole.laps.map(lapOf),
      parts: partsOf(whole.parts),
      partChanges: whole.changes.map(changeOf),
      signOff: signOffOf(signature ?? undefined),
      reopened: reopeningOf(whole.reopened ?? undefined),
    },
  }
}
