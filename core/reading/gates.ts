import { formatChange, type Unit } from '../quantity/figure'
import { unvoided, type FigureReading, type ReadingHead, type Repeat } from './reading'
import { closingError, signedPlay } from './repeat'
import { MAD_TO_SIGMA, median, scaledMad } from './statistics'

export type Gate =
  | 'closing'
  | 'past-zero'
  | 'spread'
  | 'seat-drift'
  | 'spring-back'
  | 'mixed-signs'
  | 'few-readings'
  | 'outlier'
  | 'apart'
  | 'zero-drift'
  | 'feel'
  | 'size'
  | 'hand'
  | 'limits'
  | 'heat'
  | 'hot'
  | 'set'

export interface Finding {
  readonly gate: Gate
  /** fail: the series is not valid while it stands; warn: usable, look again; note: to be known. */
  readonly level: 'fail' | 'warn' | 'note'
  readonly repeatId?: string
  /** A sentence for the technician. */
  readonly words: string
}

export interface GateOptions {
  /** nm */
  readonly graduation: number
  /** Smallest readable step, nm. */
  readonly step: number
  /** Width of the limits, nm (0…upper when one-sided); null when graduations alone decide. */
  readonly band: number | null
  /** For the figures in the sentences. */
  readonly unit: Unit
  /** Failure can hurt: two readings are never enough. */
  readonly guarded?: boolean
}

/** From a band this wide up, two readings that agree within a graduation are enough: 4 thou, 0.10 mm. Common practice. */
const TWO_WILL_DO = 100_000

/** From this many readings on a wide spread is carried by the uncertainty instead of refused. */
const SPREAD_SETTLED_BY = 6

/** Closing errors above this void the repeat: the larger of a graduation and a tenth of the band, never above a quarter of it. nm */
export function closingLimit({ graduation, band }: Pick<GateOptions, 'graduation' | 'band'>): number {
  return band === null ? graduation : Math.min(Math.max(graduation, band / 10), band / 4)
}

/** nm: the larger of two graduations and a fifth of the band. */
export const spreadLimit = ({ graduation, band }: Pick<GateOptions, 'graduation' | 'band'>): number =>
  Math.max(2 * graduation, (band ?? 0) / 5)

/** How far a repeat came back past where it was zeroed, nm: then it was not home when it was. Zero where it did not. */
const pastZero = ({ start, far, back }: Repeat): number => ((back - start) * (far - start) < 0 ? Math.abs(back - start) : 0)

/** Readings that make a run; two show no drift. */
const RUN = 3

/** What the values grow by from the first on without a break, in one direction; 0 where that is no run. */
function runFromFirst(values: readonly number[], direction: 1 | -1): number {
  let length = 1
  while (length < values.length && (values[length]! - values[length - 1]!) * direction > 0) length++
  return length < RUN ? 0 : Math.abs(values[length - 1]! - values[0]!)
}

/** Run in one direction above this is a seat that settles: the larger of a graduation and a tenth of the band. nm */
const driftLimit = ({ graduation, band }: Pick<GateOptions, 'graduation' | 'band'>): number => Math.max(graduation, (band ?? 0) / 10)

/**
 * Everything that is wrong, or worth knowing, about a series of repeats. Common practice of the trade; the limits are in the
 * functions above. A series with a finding of level `fail` gives no valid result.
 */
export function gateSeries(repeats: readonly Repeat[], options: GateOptions): Finding[] {
  const live = unvoided(repeats)
  if (live.length === 0) return []
  const findings: Finding[] = []
  const show = (value: number) => formatChange(value, options.unit, { unit: true, trim: true })
  const number = (repeat: Repeat) => repeats.indexOf(repeat) + 1

  for (const repeat of live) {
    const error = closingError(repeat)
    if (error > closingLimit(options)) {
      findings.push({
        gate: 'closing',
        level: 'fail',
        repeatId: repeat.id,
        words: `Reading ${number(repeat)} came back ${show(error)} off zero: the base, the tip or the seat moved. Void it and find out which.`,
      })
    } else if (error > options.graduation / 2) {
      findings.push({
        gate: 'closing',
        level: 'warn',
        repeatId: repeat.id,
        words: `Reading ${number(repeat)} came back ${show(error)} off zero.`,
      })
    }
    const past = pastZero(repeat)
    if (past >= options.graduation / 2 && past > 0) {
      findings.push({
        gate: 'past-zero',
        level: 'warn',
        repeatId: repeat.id,
        words: `Reading ${number(repeat)} came back ${show(past)} past zero: the zero was taken unseated. Press home, zero again, repeat.`,
      })
    }
    if (repeat.springBack) {
      findings.push({
        gate: 'spring-back',
        level: 'fail',
        repeatId: repeat.id,
        words: `Reading ${number(repeat)} sprang back when the push was released: something is misaligned or not home. Find it, do not average it.`,
      })
    }
  }

  const plays = live.map(signedPlay)
  const signs = new Set(plays.filter(play => play !== 0).map(Math.sign))
  if (signs.size > 1) {
    findings.push({
      gate: 'mixed-signs',
      level: 'fail',
      words: 'Some readings run the other way round the dial. Push in the same order each time, or check the sign.',
    })
  } else {
    const zeros = live.map(repeat => (repeat.start + repeat.back) / 2)
    // A shaft going home reads more, never less; the zero may walk either way.
    const sizes = plays.map(Math.abs)
    const drift = Math.max(runFromFirst(sizes, 1), runFromFirst(zeros, 1), runFromFirst(zeros, -1))
    if (drift > driftLimit(options)) {
      findings.push({
        gate: 'seat-drift',
        level: 'fail',
        words: `The readings walk one way, by ${show(drift)} in all: not seated. Push home and zero again.`,
      })
    } else {
      findings.push(...spreadFinding(plays, options))
    }
  }
  return [
    ...findings,
    ...seriesFindings(
      repeats,
      live.map(repeat => ({ reading: repeat, value: signedPlay(repeat) })),
      options,
      'One reading only: its uncertainty is assumed from the gauge.',
    ),
  ]
}

/** The same for plain figures taken at one point: their spread, their number, and those that stand apart. */
export function gateFigures(readings: readonly FigureReading[], options: GateOptions): Finding[] {
  const live = unvoided(readings)
  if (live.length === 0) return []
  return [
    ...spreadFinding(
      live.map(reading => reading.figure),
      options,
    ),
    ...seriesFindings(
      readings,
      live.map(reading => ({ reading, value: reading.figure })),
      options,
      null,
    ),
  ]
}

function spreadFinding(values: readonly number[], options: GateOptions): Finding[] {
  const spread = Math.max(...values) - Math.min(...values)
  if (spread <= spreadLimit(options)) return []
  const settled = values.length >= SPREAD_SETTLED_BY
  return [
    {
      gate: 'spread',
      level: settled ? 'warn' : 'fail',
      words: `The readings lie ${formatChange(spread, options.unit, { unit: true, trim: true })} apart. ${settled ? 'Their uncertainty carries it; better find the cause.' : 'Take more, or find the cause.'}`,
    },
  ]
}

interface Valued {
  readonly reading: ReadingHead
  readonly value: number
}

/** @param alone  what to say of a single reading; null where one a point is the habit */
function seriesFindings(all: readonly ReadingHead[], live: readonly Valued[], options: GateOptions, alone: string | null): Finding[] {
  const findings: Finding[] = []
  const [first, second] = live
  const agree =
    live.length === 2 &&
    !options.guarded &&
    (options.band ?? 0) >= TWO_WILL_DO &&
    Math.abs(first!.value - second!.value) <= options.graduation
  if (alone !== null && live.length < 3 && !agree) {
    findings.push({
      gate: 'few-readings',
      level: 'note',
      words: live.length === 1 ? alone : 'Two readings only: three or more are better.',
    })
  }
  for (const { reading } of outliers(live, options)) {
    findings.push({
      gate: 'outlier',
      level: 'note',
      repeatId: reading.id,
      words: `Reading ${all.indexOf(reading) + 1} stands apart from the others. Void it only if you know why.`,
    })
  }
  return findings
}

/** Readings beyond 3 scaled MAD from the median (MAD not below half a readable step), four readings or more. */
function outliers(live: readonly Valued[], { step }: GateOptions): Valued[] {
  if (live.length < 4) return []
  const values = live.map(({ value }) => value)
  const centre = median(values)
  const scale = Math.max(scaledMad(values), (MAD_TO_SIGMA * step) / 2)
  return live.filter(({ value }) => Math.abs(value - centre) > 3 * scale)
}

/** True when nothing forbids using the series. */
export const isValid = (findings: readonly Finding[]): boolean => findings.every(finding => finding.level !== 'fail')
