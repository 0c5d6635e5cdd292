import { combine, rectangular, type BudgetLine, type Combined } from './budget'
import { readableStep, type Gauge } from './gauge'
import { unvoided, type FigureReading, type Repeat } from './reading'
import { closingError, meanSignedPlay, signedPlay } from './repeat'
import { mean, standardDeviation } from './statistics'
import { coverageFactor } from './student'

/** What earlier series with this gauge and check kind showed. */
export interface Pooled {
  /** standard deviation of one reading, nm */
  readonly s: number
  /** Σ(n_i − 1) */
  readonly nu: number
}

export interface Estimate extends Combined {
  /** nm; of a play the size of the mean signed play, corrected for the tip's angle */
  readonly value: number
  /** readings used */
  readonly n: number
  readonly lines: readonly BudgetLine[]
  /** U one more reading like these would leave, nm; null with fewer than three */
  readonly oneMore: number | null
}

export interface EstimateOptions {
  readonly pooled?: Pooled | null
  /** True travel per indicated travel: cos θ of the tip's angle. */
  readonly scale?: number
  /** Further contributions (setting standard, temperature), already as standard uncertainties of the result. */
  readonly extra?: readonly BudgetLine[]
}

/**
 * The play from the unvoided repeats of one series, with its uncertainty budget.
 *
 * Repeatability or resolution, whichever is larger; the gauge's permissible error and hysteresis; the closing error, which
 * repeats do not average away. Sources: JCGM 100:2008 4.2, 4.3.7, 4.4.5, G.4.
 * @returns null when there is no repeat to use
 */
export function estimatePlay(repeats: readonly Repeat[], gauge: Gauge, options: EstimateOptions = {}): Estimate | null {
  const live = unvoided(repeats)
  if (live.length === 0) return null
  const closing = Math.max(...live.map(closingError))
  return fromSeries(
    Math.abs(meanSignedPlay(live)),
    live.map(signedPlay),
    gauge,
    options,
    [
      ...(gauge.hysteresis > 0
        ? [
            {
              source: 'hysteresis',
              words: 'Hysteresis: the pushes reverse the plunger, h/√3',
              u: rectangular(gauge.hysteresis),
              nu: Infinity,
              shared: true,
              carrier: gauge.id,
            } satisfies BudgetLine,
          ]
        : []),
      ...(closing > 0
        ? [
            {
              source: 'closing',
              words: 'Largest closing error r, (r/2)/√3',
              u: rectangular(closing / 2),
              nu: Infinity,
              shared: false,
            } satisfies BudgetLine,
          ]
        : []),
    ],
    2,
  )
}

/**
 * A size, or a deviation shown by a dial, from the unvoided figures of one point. Sources as above.
 * @param ends  scale readings in a figure: 1 for a size, 2 where a zero was read as well
 * @returns null when there is no figure to use
 */
export function estimateFigure(
  readings: readonly FigureReading[],
  gauge: Gauge,
  ends: 1 | 2,
  options: EstimateOptions = {},
): Estimate | null {
  const values = unvoided(readings).map(reading => reading.figure)
  return values.length === 0 ? null : fromSeries(mean(values), values, gauge, options, [], ends)
}

function fromSeries(
  value: number,
  values: readonly number[],
  gauge: Gauge,
  options: EstimateOptions,
  more: readonly BudgetLine[],
  ends: 1 | 2,
): Estimate {
  const n = values.length
  const scale = options.scale ?? 1
  const repeat = repeatability(values, gauge, options.pooled ?? null)
  const resolution: BudgetLine = {
    source: 'resolution',
    words: ends === 2 ? 'Readable step at both ends, d/√6' : 'Readable step, d/√12',
    u: readableStep(gauge) / Math.sqrt(ends === 2 ? 6 : 12),
    nu: Infinity,
    shared: false,
  }
  const own = repeat.u >= resolution.u ? repeat : { ...resolution, words: `${resolution.words}; larger than the repeatability` }
  const lines: BudgetLine[] = [own]
  if (gauge.permissibleError > 0)
    lines.push({
      source: 'gauge-error',
      words: 'Permissible error of the gauge, a/√3',
      u: rectangular(gauge.permissibleError),
      nu: Infinity,
      shared: true,
      carrier: gauge.id,
    })
  const scaled = [...[...lines, ...more].map(line => ({ ...line, u: line.u * scale })), ...(options.extra ?? [])]
  return {
    value: value * scale,
    n,
    lines: scaled,
    ...combine(scaled),
    oneMore: n >= 3 && own.source === 'repeatability' ? oneMoreReading(scaled, n) : null,
  }
}

function repeatability(values: readonly number[], gauge: Gauge, pooled: Pooled | null): BudgetLine {
  const n = values.length
  if (n >= 3)
    return {
      source: 'repeatability',
      words: `Spread of ${n} readings, s/√${n}`,
      u: standardDeviation(values) / Math.sqrt(n),
      nu: n - 1,
      shared: false,
    }
  if (pooled && pooled.nu > 0)
    return {
      source: 'repeatability',
      words: `Earlier series with this gauge, s_p/√${n}`,
      u: pooled.s / Math.sqrt(n),
      nu: pooled.nu,
      shared: false,
    }
  return {
    source: 'repeatability',
    words: `Stated repeatability of the gauge${n > 1 ? `, /√${n}` : ''}: assumed`,
    u: gauge.repeatability / Math.sqrt(n),
    nu: Infinity,
    shared: false,
    assumed: true,
  }
}

function oneMoreReading(lines: readonly BudgetLine[], n: number): number {
  const next = lines.map(line => (line.source === 'repeatability' ? { ...line, u: line.u * Math.sqrt(n / (n + 1)), nu: n } : line))
  const { u, nu } = combine(next)
  return coverageFactor(nu) * u
}

/** A figure known by statement alone: its value and budget, no readings. */
export function stated(value: number, lines: readonly BudgetLine[], n = 1): Estimate {
  return { value, n, lines, ...combine(lines), oneMore: null }
}

/** The part of an estimate's variance that its own readings carry, nm²: what is left when the same gauge took both of two results. */
export const ownVariance = (lines: readonly BudgetLine[]): number => lines.reduce((sum, line) => sum + (line.shared ? 0 : line.u ** 2), 0)
export const sharedVariance = (lines: readonly BudgetLine[]): number =>
  lines.reduce((sum, line) => sum + (line.shared ? line.u ** 2 : 0), 0)
