import { PLAIN_GAUGE, type Gauge } from '../reading/gauge'
import type { Pooled } from '../reading/estimate'
import type { LimitSet } from '../verdict/limits'
import type { Lot, Pack } from '../pack/lot'
import type { CheckDocument, PointReading, Predicted, Trial } from '../check/document'
import { bindParts, type JobPart } from '../check/parts'
import { checkKind } from '../check/registry'
import { WORKSHEET_VERSION, type Worksheet, type WorksheetJob } from './worksheet'

/** A check as version 1 had it: one gauge, one pair of limits, one pack a fitting, one mark for stale. All of kind shaft end play. */
export interface CheckV1 extends Omit<CheckDocument, 'gauges' | 'limits' | 'history' | 'trials' | 'parts' | 'partChanges' | 'laps'> {
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
export interface WorksheetV1 extends Omit<Worksheet, 'version' | 'jobs' | 'lots'> {
  readonly lots: readonly Omit<Lot, 'leadDays'>[]
  readonly version: 1
  readonly jobs: readonly (Omit<WorksheetJob, 'checks' | 'parts'> & { readonly checks: readonly CheckV1[] })[]
}

export const isCheckV1 = (check: CheckV1 | CheckDocument): check is CheckV1 => 'gauge' in check

/** @param parts  role: part of the job */
export function upgradeCheck(old: CheckV1, parts: Readonly<Record<string, string>> = {}): CheckDocument {
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

export function upgradeWorksheet(old: WorksheetV1): Worksheet {
  return { ...old, version: WORKSHEET_VERSION, lots: old.lots.map(lot => ({ ...lot, leadDays: null })), jobs: old.jobs.map(upgradeJob) }
}

function upgradeJob(job: WorksheetV1['jobs'][number]): WorksheetJob {
  const parts: JobPart[] = []
  const checks = job.checks.map(check => {
    const { bound, added } = bindParts(checkKind(check.kind).parts(check.setup), parts, role => `${job.id.slice(0, 40)}:${role.id}`)
    parts.push(...added)
    return upgradeCheck(check, bound)
  })
  return { ...job, parts, checks }
}
