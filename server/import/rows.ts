import { v4 as uuid } from 'uuid'
import type { CheckDocument, Clearing, PartChange, PointReading } from '#core/check/document'
import { gaugeOf as usedAt } from '#core/check/gauge-needs'
import { bindParts, type JobPart } from '#core/check/parts'
import { checkKind } from '#core/check/registry'
import { settingsOf } from '#core/command/settings'
import { ways } from '#core/method/ways'
import type { Lot } from '#core/pack/lot'
import type { Gauge } from '#core/reading/gauge'
import type { Pooled } from '#core/reading/estimate'
import { serviceFigures } from '#core/trend/service-figures'
import { checkAnswer } from '#core/worksheet/evaluate'
import type { WorksheetJob } from '#core/worksheet/worksheet'
import { checkColumns, listedColumns } from '../database/checks'
import { factColumns } from '../database/jobs'
import { limitColumns } from '../database/limits'
import { moment } from '../database/moment'
import { readingColumns } from '../database/readings'
import { figureRows } from '../database/trends'
import type { Row } from '../database/bulk'
import { answerOf, lotsFor } from '../service/check-view'

/** The tables an import fills, in an order that every reference finds what it names. */
export const TABLES = [
  'job',
  'part',
  'checks',
  'check_gauge',
  'check_part',
  'limit_set',
  'trial',
  'trial_refit',
  'prediction',
  'pack_listing',
  'trial_piece',
  'series',
  'reading',
  'reading_void',
  'lap',
  'lap_pass',
  'lap_end',
  'step_tick',
  'trial_condition',
  'clearing',
  'part_change',
  'sign_off',
  'service_figure',
  'reopening',
  'event',
] as const
export type Table = (typeof TABLES)[number]
export type ImportRows = { readonly [T in Table]: Row[] }
export const noRows = (): ImportRows => Object.fromEntries(TABLES.map(table => [table, []])) as unknown as ImportRows

/** What the shop knows that the rows of a file depend on. */
export interface ImportContext {
  /** under which it stays hidden until all of it is here */
  readonly arrival: string
  readonly unitOf: (name: string) => string
  /** the gauge of a file as it is here */
  readonly gaugeOf: (gauge: Gauge) => Gauge
  /** what checks of a kind said of a gauge here */
  readonly historyOf: (kind: string, gaugeId: string) => Pooled | undefined
  /** the drawer here, promised pieces counted as reserved */
  readonly lots: readonly Lot[]
  /** the next number of the order of what happened, of the listings, of the series */
  readonly next: { readonly [Kind in keyof Numbers]: () => number }
}
/** One for each row that has to carry a number: what happened, listed packs, series. */
export interface Numbers {
  readonly order: number
  readonly listing: number
  readonly series: number
}
/** How many numbers jobs will ask for. */
export function numbersFor(jobs: readonly WorksheetJob[]): Numbers {
  const checks = jobs.flatMap(job => job.checks)
  const trials = checks.flatMap(check => check.trials)
  const readings = trials.reduce((sum, trial) => sum + trial.readings.length, 0)
  return {
    order: readings + checks.reduce((sum, check) => sum + check.partChanges.length + check.clearings.length + (check.reopened ? 1 : 0), 0),
    listing: trials.reduce((sum, trial) => sum + Object.keys(trial.packs).length, 0),
    series: readings,
  }
}

/** A job of a file as rows, into `rows`. The order of what happened in it is kept. */
export function jobRows(job: WorksheetJob, file: readonly Lot[], context: ImportContext, rows: ImportRows): void {
  const now = new Date().toISOString()
  const { arrival } = context
  rows.job.push({
    id: job.id,
    unit_id: context.unitOf(job.unit.name),
    title: job.title,
    notes: job.notes,
    ...factColumns(job),
    removed_at: now,
    arriving: arrival,
  })
  const parts: JobPart[] = [...job.parts]
  const bound = job.checks.map(check => boundParts(check, parts))
  rows.part.push(...parts.map(part => ({ id: part.id, job_id: job.id, name: part.name })))
  const changes = new Map<string, Row & { readonly seq: number }>()
  const placed = inOrder(job.checks, context, changes)
  rows.part_change.push(...changes.values())
  for (const [i, check] of job.checks.entries()) {
    const document: CheckDocument = {
      ...check,
      parts: bound[i]!,
      gauges: Object.fromEntries(Object.entries(check.gauges).map(([key, gauge]) => [key, context.gaugeOf(gauge)])),
      trials: check.trials.map(trial => ({ ...trial, readings: trial.readings.map(reading => placed.readings.get(reading.id)!) })),
      partChanges: changesOf(check.id, bound[i]!, changes),
      clearings: check.clearings.map(clearing => ({ ...clearing, order: placed.cleared.get(clearing)! })),
      reopened: check.reopened ? { ...check.reopened, order: placed.reopened.get(check.id)! } : null,
    }
    // What stands signed is what was signed, with the gauges and what was known of them then; only the numbers are those of here.
    const signed: CheckDocument | null = check.signOff && {
      ...check,
      trials: check.trials.map(trial => ({
        ...trial,
        readings: trial.readings.map(reading => ({ ...reading, order: placed.readings.get(reading.id)!.order })),
      })),
      parts: document.parts,
      partChanges: document.partChanges,
      clearings: document.clearings,
      reopened: document.reopened,
    }
    checkRows(document, signed, { position: i + 1, jobId: job.id, now, file }, context, rows)
  }
  rows.reading.sort((a, b) => (a.seq as number) - (b.seq as number))
}

/** What the check rests on; what its file does not name: parts of the job of that name, or new ones. */
function boundParts(check: CheckDocument, parts: JobPart[]): Record<string, string> {
  const roles = checkKind(check.kind)
    .parts(check.setup)
    .filter(role => check.parts[role.id] === undefined)
  const { bound, added } = bindParts(roles, parts, () => uuid())
  parts.push(...added)
  return { ...check.parts, ...bound }
}

/** Readings, part changes and reopenings of a job get their numbers in the order they happened in. */
function inOrder(checks: readonly CheckDocument[], context: ImportContext, changes: Map<string, Row & { readonly seq: number }>) {
  const readings = new Map<string, PointReading>()
  const reopened = new Map<string, number>()
  const cleared = new Map<Clearing, number>()
  const steps = checks.flatMap(check => [
    ...check.trials.flatMap(trial =>
      trial.readings.map(reading => ({
        order: reading.order ?? Infinity,
        place: (seq: number) => void readings.set(reading.id, { ...withGauge(check, reading, context), order: seq }),
      })),
    ),
    ...check.partChanges.map(change => ({
      order: change.order,
      place(seq: number) {
        const part = check.parts[change.role] ?? null
        const id = `${part ?? check.id}:${change.at}`
        const row = {
          id,
          part_id: part,
          check_id: part === null ? check.id : null,
          reason: change.reason,
          by_name: '',
          at: moment(change.at),
        }
        if (!changes.has(id)) changes.set(id, { ...row, seq })
      },
    })),
    ...check.clearings.map(clearing => ({ order: clearing.order, place: (seq: number) => void cleared.set(clearing, seq) })),
    ...(check.reopened ? [{ order: check.reopened.order, place: (seq: number) => void reopened.set(check.id, seq) }] : []),
  ])
  for (const step of steps.sort((a, b) => a.order - b.order)) step.place(context.next.order())
  return { readings, reopened, cleared }
}

/** With the gauge it was read with, as it is called here; none where the way needs none or the file names none. */
function withGauge(check: CheckDocument, reading: PointReading, { gaugeOf }: ImportContext): PointReading {
  const { gauge: named, ...plain } = reading
  const point = checkKind(check.kind)
    .points(check.setup)
    .find(({ id }) => id === reading.point)!
  if (ways[point.way].gauge === null) return plain as PointReading
  const gauge = Object.values(check.gauges).find(({ id }) => id === named) ?? usedAt(check, point)
  return (gauge ? { ...plain, gauge: gaugeOf(gauge).id } : plain) as PointReading
}

const changesOf = (check: string, parts: Readonly<Record<string, string>>, changes: ReadonlyMap<string, Row & { readonly seq: number }>) =>
  [...changes.values()]
    .flatMap((row): PartChange[] => {
      const {
        part_id: part,
        check_id: of,
        at,
        reason,
        seq,
      } = row as { part_id: string | null; check_id: string | null; at: string; reason: string; seq: number }
      const roles = part === null ? (of === check ? ['*'] : []) : Object.keys(parts).filter(role => parts[role] === part)
      return roles.sort().map(role => ({ role, at, reason, order: seq }))
    })
    .sort((a, b) => a.order - b.order)

interface CheckPlace {
  readonly position: number
  readonly jobId: string
  readonly now: string
  /** the drawer of the file */
  readonly file: readonly Lot[]
}

/** @param signed  as it was signed; null: it is not */
function checkRows(
  check: CheckDocument,
  signed: CheckDocument | null,
  { position, jobId, now, file }: CheckPlace,
  context: ImportContext,
  rows: ImportRows,
): void {
  const { id } = check
  const history = Object.fromEntries(
    Object.values(check.gauges).flatMap(gauge => {
      const known = context.historyOf(check.kind, gauge.id)
      return known ? [[gauge.id, known]] : []
    }),
  )
  const live = signed ?? { ...check, history }
  rows.checks.push({
    ...checkColumns({ id, ...settingsOf(check) }),
    job_id: jobId,
    kind: check.kind,
    position,
    ...listedColumns(answerOf(live, lotsFor(live, context.lots))),
    removed_at: now,
  })
  for (const [key, gauge] of Object.entries(check.gauges)) rows.check_gauge.push({ check_id: id, kind: key, gauge_id: gauge.id })
  for (const [role, part] of Object.entries(check.parts)) rows.check_part.push({ check_id: id, role, part_id: part })
  for (const [result, pair] of Object.entries(check.limits.sets))
    for (const role of ['book', 'shop'] as const) if (pair[role]) rows.limit_set.push(limitColumns(id, result, role, pair[role]))
  trialRows(check, context, rows)
  for (const lap of check.laps) {
    const { id: lapId, place, lotId, trial, target, low, high, at } = lap
    rows.lap.push({ id: lapId, check_id: id, place, lot_id: lotId, trial_id: trial, target_nm: target, low_nm: low, high_nm: high, at })
    rows.lap_pass.push(...lap.passes.map(pass => ({ id: pass.id, lap_id: lapId, figures: pass.figures, at: pass.at })))
    if (lap.end) rows.lap_end.push({ lap_id: lapId, lot_id: lap.end.lotId })
  }
  rows.step_tick.push(...check.ticks.map(({ step, trial }) => ({ check_id: id, trial_id: trial, step, ticked: true })))
  rows.clearing.push(
    ...check.clearings.map(({ item, trial, how, by, at, order }) => ({
      check_id: id,
      trial_id: trial,
      item,
      how,
      by_name: by,
      at: moment(at),
      seq: order,
    })),
  )
  signatureRows(check, signed, file, rows)
  rows.event.push({ id: uuid(), subject: id, version: 1, what: 'Read from a worksheet' })
}

function trialRows(check: CheckDocument, { next }: ImportContext, rows: ImportRows): void {
  for (const [i, trial] of check.trials.entries()) {
    rows.trial.push({ id: trial.id, check_id: check.id, ordinal: i + 1, at: moment(trial.at) })
    rows.trial_refit.push(...trial.refitted.map(place => ({ trial_id: trial.id, place })))
    for (const [condition, state] of Object.entries(trial.conditions)) rows.trial_condition.push({ trial_id: trial.id, condition, state })
    for (const [result, { play, u, uOwn }] of Object.entries(trial.predicted))
      rows.prediction.push({ trial_id: trial.id, result, play, u, u_own: uOwn })
    for (const [place, pack] of Object.entries(trial.packs)) {
      if (!pack) continue
      const listing = next.listing()
      rows.pack_listing.push({ id: listing, trial_id: trial.id, place, whole: !trial.unlisted.includes(place) })
      rows.trial_piece.push(...pack.map(piece => ({ listing_id: listing, lot_id: piece.lotId, count: piece.count })))
    }
    // One series a gauge.
    const series = new Map<string, number>()
    for (const reading of trial.readings) {
      const gauge = reading.gauge ?? null
      const key = gauge ?? ''
      if (!series.has(key)) {
        series.set(key, next.series())
        rows.series.push({ id: series.get(key)!, trial_id: trial.id, gauge_id: gauge })
      }
      rows.reading.push({ ...readingColumns(reading), series_id: series.get(key)!, seq: reading.order, taken: reading.taken ?? null })
      if (reading.voided) rows.reading_void.push({ reading_id: reading.id, reason: reading.voided.reason })
    }
  }
}

/** The signature that stands, with what was signed; or that there was one, and it was opened again. */
function signatureRows(check: CheckDocument, signed: CheckDocument | null, file: readonly Lot[], rows: ImportRows): void {
  const { id, signOff, reopened } = check
  if (reopened) {
    const at = moment(reopened.at)
    const was = uuid()
    rows.sign_off.push({ id: was, check_id: id, at, by_name: reopened.by, reason: null, core_version: '', record: {} })
    rows.reopening.push({ sign_off_id: was, reason: reopened.reason, by_name: reopened.by, at, seq: reopened.order })
  }
  if (!signOff || !signed) return
  const inputs = { ...signed, signOff: null }
  rows.service_figure.push(...figureRows(id, serviceFigures(signed, file)))
  rows.sign_off.push({
    id: uuid(),
    check_id: id,
    at: moment(signOff.at),
    by_name: signOff.by,
    reason: signOff.reason,
    core_version: signOff.core,
    record: { inputs, answer: checkAnswer(inputs, file), ...(signOff.figures ? { figures: signOff.figures } : {}) },
  })
}
