import { v4 as uuid } from 'uuid'
import type { Lot } from '#core/pack/lot'
import { isPieces } from '#core/reading/reading'
import type { Gauge } from '#core/reading/gauge'
import type { Pooled } from '#core/reading/estimate'
import { readWorksheet } from '#core/worksheet/read'
import type { WorksheetFault } from '#core/worksheet/faults'
import type { Worksheet, WorksheetJob } from '#core/worksheet/worksheet'
import type { RowsText } from '../database/bulk'
import { jobRows } from './rows'
import { TABLES, noRows, numbersFor, type Numbers } from './import-rows'

/** Jobs whose rows are worked out at one go. */
const JOBS_AT_ONCE = 25
const READINGS_AT_ONCE = 2000
/** Rows of one statement, and ids of one question: others wait no longer than that takes. */
const ROWS_AT_ONCE = 100
const IDS_AT_ONCE = 2000

/** A few jobs that come in one after the other. */
export interface Group {
  readonly from: number
  readonly jobs: number
  readonly readings: number
  /** how many numbers of each kind its rows ask for */
  readonly numbers: Numbers
}
/** What has to be known of a worksheet before the first row is stored. */
export interface Head {
  readonly jobs: readonly string[]
  readonly checks: number
  readonly units: readonly WorksheetJob['unit'][]
  readonly gauges: readonly Gauge[]
  readonly lots: readonly Lot[]
  readonly groups: readonly Group[]
}
export type Opened = { readonly ok: true; readonly head: Head } | { readonly ok: false; readonly faults: readonly WorksheetFault[] }

/** Ids of one table that must not be there yet. */
export interface Claim {
  readonly table: string
  readonly ids: readonly string[]
}
/** Whose id it is: a sentence’s subject, and the place in the file. */
export interface Claimant {
  readonly path: string
  readonly what: string
}

/** What the shop knows that the rows of a file depend on; each gauge of the file as it is here. */
export interface ShopSide {
  readonly arrival: string
  readonly units: readonly (readonly [name: string, id: string])[]
  readonly gauges: readonly (readonly [theirs: Gauge, here: Gauge])[]
  readonly spreads: readonly (readonly [kindAndGauge: string, Pooled])[]
  readonly lots: readonly Lot[]
}

/** Some rows of one table, and how many readings are among them. */
export interface Piece extends RowsText {
  readonly readings: number
}

const keyOf = (gauge: Gauge) => JSON.stringify(gauge)

/** A worksheet on its way in: read and judged as a whole, then handed out in pieces that can be stored one by one. */
export class WorksheetIn {
  private claimants: { readonly table: string; readonly id: string; readonly path: string; readonly what: () => string }[] = []
  private shop: ShopSide | null = null

  private constructor(private readonly worksheet: Worksheet) {}

  static open(text: string, asCopy: boolean): { readonly opened: Opened; readonly sheet: WorksheetIn | null } {
    const reading = readWorksheet(text)
    if (!reading.ok) return { opened: reading, sheet: null }
    const sheet = new WorksheetIn(asCopy ? withNewIds(reading.worksheet) : reading.worksheet)
    return { opened: { ok: true, head: sheet.head() }, sheet }
  }

  private head(): Head {
    const { jobs, lots } = this.worksheet
    const checks = jobs.flatMap(job => job.checks)
    const gauges = new Map(checks.flatMap(check => Object.values(check.gauges)).map(gauge => [keyOf(gauge), gauge]))
    const units = new Map<string, Head['units'][number]>()
    for (const { unit } of jobs) if (!units.has(unit.name)) units.set(unit.name, unit)
    return {
      jobs: jobs.map(({ id }) => id),
      checks: checks.length,
      units: [...units.values()],
      gauges: [...gauges.values()],
      lots,
      groups: this.groups(),
    }
  }

  private groups(): Group[] {
    const groups: Group[] = []
    let [from, readings, numbers] = [0, 0, numbersFor([])]
    for (const [i, job] of this.worksheet.jobs.entries()) {
      const more = numbersFor([job])
      readings += more.series
      numbers = { order: numbers.order + more.order, listing: numbers.listing + more.listing, series: numbers.series + more.series }
      const jobs = i + 1 - from
      if (jobs < JOBS_AT_ONCE && readings < READINGS_AT_ONCE && i + 1 < this.worksheet.jobs.length) continue
      groups.push({ from, jobs, readings, numbers })
      ;[from, readings, numbers] = [i + 1, 0, numbersFor([])]
    }
    return groups
  }

  /** What must not be there yet, some ids at a time. */
  claims(): Claim[] {
    const { jobs } = this.worksheet
    for (const [i, job] of jobs.entries()) {
      this.claim('job', job, `jobs/${i}`, () => `The job “${job.title}”`)
      for (const [j, part] of job.parts.entries()) this.claim('part', part, `jobs/${i}/parts/${j}`, () => `The part “${part.name}”`)
    }
    for (const check of jobs.flatMap(job => job.checks)) {
      this.claim('checks', check, check.id, () => `The check “${check.title}”`)
      for (const lap of check.laps) {
        this.claim('lap', lap, check.id, () => `A piece made for “${check.title}”`)
        for (const pass of lap.passes) this.claim('lap_pass', pass, check.id, () => `A pass of a piece made for “${check.title}”`)
      }
      for (const trial of check.trials) {
        this.claim('trial', trial, check.id, () => `A fitting of “${check.title}”`)
        for (const reading of trial.readings)
          this.claim('reading', reading, check.id, () => `A reading of “${check.title}” (${reading.id})`)
      }
    }
    return ['job', 'part', 'checks', 'trial', 'reading', 'lap', 'lap_pass'].flatMap(table => {
      const ids = this.claimants.filter(claimant => claimant.table === table).map(({ id }) => id)
      return inRuns(ids, IDS_AT_ONCE).map(run => ({ table, ids: run }))
    })
  }
  private claim(table: string, { id }: { readonly id: string }, path: string, what: () => string): void {
    this.claimants.push({ table, id, path, what })
  }
  /** The first of them in the file. */
  claimant(table: string, ids: readonly string[]): Claimant {
    const { path, what } = this.claimants.find(claimant => claimant.table === table && ids.includes(claimant.id))!
    return { path, what: what() }
  }

  here(shop: ShopSide): void {
    this.shop = shop
  }

  /** The rows of a group. @param first  the numbers they take, counted up from here */
  rowsOf({ from, jobs }: Group, first: Numbers): Piece[] {
    const shop = this.shop!
    const gauges = new Map(shop.gauges.map(([theirs, here]) => [keyOf(theirs), here]))
    const units = new Map(shop.units)
    const spreads = new Map(shop.spreads)
    const countUp = (at: number) => () => at++
    const context = {
      arrival: shop.arrival,
      unitOf: (name: string) => units.get(name)!,
      gaugeOf: (gauge: Gauge) => gauges.get(keyOf(gauge))!,
      historyOf: (kind: string, gauge: string) => spreads.get(`${kind} ${gauge}`),
      lots: shop.lots,
      next: { order: countUp(first.order), listing: countUp(first.listing), series: countUp(first.series) },
    }
    const rows = noRows()
    for (const job of this.worksheet.jobs.slice(from, from + jobs)) jobRows(job, this.worksheet.lots, context, rows)
    return TABLES.flatMap(table =>
      inRuns(rows[table], ROWS_AT_ONCE).map(run => ({
        table,
        columns: Object.keys(run[0]!),
        json: JSON.stringify(run),
        readings: table === 'reading' ? run.length : 0,
      })),
    )
  }
}

/** The items in runs of at most so many. */
export const inRuns = <Item>(items: readonly Item[], most: number): Item[][] =>
  Array.from({ length: Math.ceil(items.length / most) }, (_, i) => items.slice(i * most, (i + 1) * most))

/** The same jobs under ids of their own; sizes and gauges keep theirs. */
function withNewIds(worksheet: Worksheet): Worksheet {
  const fresh = new Map<string, string>()
  const id = (old: string) => fresh.get(old) ?? fresh.set(old, uuid()).get(old)!
  return {
    ...worksheet,
    jobs: worksheet.jobs.map(job => ({
      ...job,
      id: id(job.id),
      title: `${job.title} (copy)`.slice(0, 120),
      parts: job.parts.map(part => ({ ...part, id: id(part.id) })),
      checks: job.checks.map(check => ({
        ...check,
        id: id(check.id),
        parts: Object.fromEntries(Object.entries(check.parts).map(([role, part]) => [role, id(part)])),
        trials: check.trials.map(trial => ({
          ...trial,
          id: id(trial.id),
          readings: trial.readings.map(reading => ({
            ...reading,
            id: id(reading.id),
            ...(isPieces(reading) ? { pieces: reading.pieces.map(id) } : {}),
          })),
        })),
        laps: check.laps.map(lap => ({
          ...lap,
          id: id(lap.id),
          trial: lap.trial === null ? null : id(lap.trial),
          passes: lap.passes.map(pass => ({ ...pass, id: id(pass.id) })),
        })),
        clearings: check.clearings.map(clearing => ({ ...clearing, trial: id(clearing.trial) })),
        ticks: check.ticks.map(tick => ({ ...tick, trial: id(tick.trial) })),
        struck: check.struck.map(one => ({ ...one, trial: id(one.trial) })),
      })),
    })),
  }
}
