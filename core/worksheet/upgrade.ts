import { PLAIN_GAUGE, type Gauge } from '../reading/gauge'
import type { Pooled } from '../reading/estimate'
import type { LimitSet } from '../verdict/limits'
import type { Lap } from '../pack/lapping'
import { asFitted } from '../check/as-fitted'
import { lotMap, type Lot, type LotMap, type Pack } from '../pack/lot'
import type { CheckDocument, PartChange, PointReading, Predicted, Trial } from '../check/document'
import { bindParts, type JobPart } from '../check/parts'
import { checkKind } from '../check/registry'
import { spread } from '../check/said'
import { WORKSHEET_VERSION, type Worksheet, type WorksheetJob } from './worksheet'

type TrialV4 = Omit<Trial, 'pieces' | 'leftOut'>
/** A check as version 4 had it: a piece was what it measures today, whenever it was fitted; set-up was ticked once for all fittings (null). */
export interface CheckV4 extends Omit<CheckDocument, 'trials' | 'ticks' | 'struck'> {
  readonly trials: readonly TrialV4[]
  readonly ticks: readonly { readonly step: string; readonly trial: string | null }[]
}
export interface WorksheetV4 extends Omit<Worksheet, 'version' | 'jobs'> {
  readonly version: 4
  readonly jobs: readonly (Omit<WorksheetJob, 'checks'> & { readonly checks: readonly CheckV4[] })[]
}

type TrialV3 = Omit<TrialV4, 'conditions'>
/** A check as version 3 had it: nobody asked in which state the unit was, and nothing was pending. */
export interface CheckV3 extends Omit<CheckV4, 'trials' | 'clearings'> {
  readonly trials: readonly TrialV3[]
}
export interface WorksheetV3 extends Omit<Worksheet, 'version' | 'jobs'> {
  readonly version: 3
  readonly jobs: readonly (Omit<WorksheetJob, 'checks'> & { readonly checks: readonly CheckV3[] })[]
}

/** A check as version 2 had it: order was a matter of clocks, a pack was known or not, nobody counted reopenings. */
export interface CheckV2 extends Omit<CheckV3, 'trials' | 'partChanges' | 'reopened' | 'laps'> {
  readonly trials: readonly Omit<TrialV3, 'unlisted'>[]
  readonly partChanges: readonly Omit<PartChange, 'order'>[]
  readonly laps?: readonly Omit<Lap, 'trial'>[]
}
export interface WorksheetV2 extends Omit<Worksheet, 'version' | 'jobs' | 'lots' | 'workshop'> {
  readonly version: 2
  readonly lots: readonly (Omit<Lot, 'leadDays'> & Partial<Pick<Lot, 'leadDays'>>)[]
  readonly jobs: readonly (Omit<WorksheetJob, 'checks'> & { readonly checks: readonly CheckV2[] })[]
}

/** A check as version 1 had it: one gauge, one pair of limits, one pack a fitting, one mark for stale. All of kind shaft end play. */
export interface CheckV1 extends Omit<CheckV2, 'gauges' | 'limits' | 'history' | 'trials' | 'parts' | 'partChanges' | 'laps'> {
  readonly gauge: Omit<Gauge, keyof typeof PLAIN_GAUGE>
  readonly limits: { readonly book: LimitSet | null; readonly shop: LimitSet | null; readonly working: 'book' | 'shop' }
  readonly history: Pooled | null
  readonly trials: readonly {
    readonly id: string
    readonly at: string
    readonly pack: Pack | null
    readonly predicted: Predicted | null
    readonly readings: readonly PointReading[]
  }[]
  readonly stale: string | null
}
export interface WorksheetV1 extends Omit<WorksheetV2, 'version' | 'jobs'> {
  readonly version: 1
  readonly jobs: readonly (Omit<WorksheetJob, 'checks' | 'parts'> & { readonly checks: readonly CheckV1[] })[]
}

/** A check as it was stored with a signature, by whichever version signed it. */
export function upgradeStored(stored: unknown): CheckDocument {
  const check = stored as CheckV1 | CheckV2 | CheckV3 | CheckV4 | CheckDocument
  if ('struck' in check) return check
  if ('clearings' in check) return fitted(check)
  return fitted(conditioned('reopened' in check ? check : ordered(['gauge' in check ? pluralCheck(check) : check])[0]!))
}

/** Version 1 as version 2 would have written it. @param parts  role: part of the job */
function pluralCheck(old: CheckV1, parts: Readonly<Record<string, string>> = {}): CheckV2 {
  const { gauge, limits, history, trials, stale, ...same } = old
  const newest = trials
    .flatMap(trial => [trial.at, ...trial.readings.flatMap(reading => reading.at ?? [])])
    .sort()
    .at(-1)
  return {
    ...same,
    parts,
    laps: [],
    gauges: { [gauge.kind]: { ...PLAIN_GAUGE, ...gauge } },
    limits: { working: limits.working, sets: limits.book || limits.shop ? { play: { book: limits.book, shop: limits.shop } } : {} },
    history: history ? { [gauge.id]: history } : {},
    trials: trials.map((trial, i) => ({
      id: trial.id,
      at: trial.at,
      packs: { pack: trial.pack },
      refitted: i === 0 ? [] : ['pack'],
      predicted: (trial.predicted ? { play: trial.predicted } : {}) as Trial['predicted'],
      readings: trial.readings,
    })),
    partChanges: stale !== null && newest ? [{ role: '*', at: newest, reason: stale }] : [],
  }
}

/** What was done, without the part’s name, which used to be written before it. */
function bareReason({ kind, setup }: Pick<CheckDocument, 'kind' | 'setup'>, { role, reason }: Pick<PartChange, 'role' | 'reason'>): string {
  const part = checkKind(kind)
    .parts(setup)
    .find(({ id }) => id === role)
  const named = part ? `${part.label.toLowerCase()}: ` : ''
  return reason.startsWith(named) ? reason.slice(named.length) : reason
}

/**
 * Checks of one job by version 2 as version 3 writes them: readings and part changes get their places in one order, from the times
 * they have; a reading as old as a change came before it, and so is stale. What version 2 learned later is filled in.
 */
export function ordered(checks: readonly CheckV2[]): CheckV3[] {
  const changeKey = (check: CheckV2, at: number) => `${check.id} change ${at}`
  const happened = checks.flatMap(check => [
    ...check.trials.flatMap(trial => trial.readings.map(reading => ({ at: Date.parse(reading.at ?? trial.at), late: 0, key: reading.id }))),
    ...check.partChanges.map((change, i) => ({ at: Date.parse(change.at), late: 1, key: changeKey(check, i) })),
  ])
  const places = new Map(happened.sort((a, b) => a.at - b.at || a.late - b.late).map(({ key }, i) => [key, i + 1]))
  return checks.map(old => ({
    ...old,
    laps: (old.laps ?? []).map(lap => ({ ...lap, trial: null })),
    // Nobody chose: the book was the default. A tighter shop limit judges from now on.
    limits: { ...old.limits, working: old.limits.working === 'book' ? 'tighter' : old.limits.working },
    gauges: Object.fromEntries(Object.entries(old.gauges).map(([kind, gauge]) => [kind, { ...PLAIN_GAUGE, ...gauge }])),
    trials: old.trials.map(trial => ({
      ...trial,
      packs: Object.fromEntries(Object.entries(trial.packs).filter(([, pack]) => pack !== null)),
      unlisted: [],
      readings: trial.readings.map(reading => ({ ...reading, order: places.get(reading.id)! })),
    })),
    partChanges: old.partChanges.map((change, i) => ({
      ...change,
      reason: bareReason(old, change),
      order: places.get(changeKey(old, i))!,
    })),
    reopened: null,
  }))
}

const conditioned = (check: CheckV3): CheckV4 => ({
  ...check,
  trials: check.trials.map(trial => ({ ...trial, conditions: {} })),
  clearings: [],
})

/**
 * What version 5 learned later: pieces as they measure in the file, for fittings of which nobody kept how they were; what was said once for
 * all fittings, or for all places, is said of each. @param lots  none: they are not known
 */
function fitted(check: CheckV4 | (Omit<CheckV4, 'trials'> & Pick<CheckDocument, 'trials'>), lots: LotMap = new Map()): CheckDocument {
  const conditions = checkKind(check.kind).conditions?.(check.setup) ?? []
  const ids = check.trials.map(({ id }) => id)
  return {
    ...check,
    struck: [],
    ticks: check.ticks.flatMap(({ step, trial }) => (trial === null ? ids.map(id => ({ step, trial: id })) : [{ step, trial }])),
    trials: check.trials.map(trial => ({
      ...trial,
      conditions: spread(conditions, trial.conditions),
      leftOut: {},
      pieces: 'pieces' in trial ? trial.pieces : asFitted(Object.values(trial.packs), lots, {}, { since: true }),
    })),
  }
}

export type OldWorksheet = WorksheetV1 | WorksheetV2 | WorksheetV3 | WorksheetV4

type Sparse<T, K extends keyof T> = Omit<T, K> & Partial<Pick<T, K>>
/** What may be left out of a file, filled in: days until a piece comes, pieces that were made, the widest print of a strip. */
function completed<Sheet extends WorksheetV4 | Worksheet>(sheet: Sheet): Sheet {
  const gauge = (one: Sparse<Gauge, 'widest'>) => ({ widest: null, ...one })
  const check = (one: Sparse<CheckV4 | CheckDocument, 'laps'>) => ({
    laps: [],
    ...one,
    gauges: Object.fromEntries(Object.entries(one.gauges).map(([key, used]) => [key, gauge(used)])),
  })
  return {
    ...sheet,
    lots: sheet.lots.map((lot: Sparse<Lot, 'leadDays'>) => ({ leadDays: null, ...lot })),
    jobs: sheet.jobs.map(job => ({ ...job, checks: job.checks.map(check) })),
  }
}

/** Also completes a file of this version. */
export function upgradeWorksheet(old: OldWorksheet | Worksheet): Worksheet {
  const four = completed(old.version < 4 ? upgradeToFour(old as WorksheetV1 | WorksheetV2 | WorksheetV3) : (old as WorksheetV4 | Worksheet))
  const lots = lotMap(four.lots)
  return {
    ...four,
    version: WORKSHEET_VERSION,
    jobs: four.jobs.map(job => ({ ...job, checks: job.checks.map(check => ('struck' in check ? check : fitted(check, lots))) })),
  }
}

function upgradeToFour(old: WorksheetV1 | WorksheetV2 | WorksheetV3): WorksheetV4 {
  if (old.version === 3)
    return {
      ...old,
      version: 4,
      jobs: old.jobs.map(job => ({ ...job, checks: job.checks.map(conditioned) })),
    }
  const jobs = old.version === 1 ? old.jobs.map(pluralJob) : old.jobs
  return {
    ...old,
    version: 4,
    lots: old.lots.map(lot => ({ ...lot, leadDays: lot.leadDays ?? null })),
    jobs: jobs.map(job => ({ ...job, checks: ordered(job.checks).map(conditioned) })),
  }
}

function pluralJob(job: WorksheetV1['jobs'][number]): WorksheetV2['jobs'][number] {
  const parts: JobPart[] = []
  const checks = job.checks.map(check => {
    const { bound, added } = bindParts(checkKind(check.kind).parts(check.setup), parts, role => `${job.id.slice(0, 40)}:${role.id}`)
    parts.push(...added)
    return pluralCheck(check, bound)
  })
  return { ...job, parts, checks }
}
