import type { Lot } from '#core/pack/lot'
import type { Gauge } from '#core/reading/gauge'
import type { Pooled } from '#core/reading/estimate'
import type { WorksheetJob } from '#core/worksheet/worksheet'
import type { Row } from '../database/bulk'

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
  'left_out',
  'struck',
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
