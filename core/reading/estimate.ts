import { combine, rectangular, type BudgetLine, type Combined } from './budget'
import { readableStep, type Gauge } from './gauge'
import { closingError, meanSignedPlay, signedPlay, unvoided, type Repeat } from './repeat'
import { standardDeviation } from './statistics'
import { coverageFactor } from './student'

/** What earlier series with this gauge and check kind showed. */
export interface Pooled { /** standard deviation of one reading, nm */ readonly s: number, /** Σ(n_i − 1) */ readonly nu: number }

export interface Estimate extends Combined {
  /** nm; the size of the mean signed play, corrected for the tip's angle */
  readonly value: number
  /** repeats used */
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
  const n = live.length
  if (n === 0) return null
  const scale = options.scale ?? 1
  const repeat = repeatability(live, gauge, options.pooled ?? null)
  const step = readableStep(gauge)
  const resolution: BudgetLine = { source: 'resolution', words: `Readable step at both ends, d/√6`, u: step / Math.sqrt(6), nu: Infinity, shared: false }
  const own = repeat.u >= resolution.u ? repeat : { ...resolution, words: `${resolution.words}; larger than the repeatability` }
  const closing = Math.max(...live.map(closingError))
  const lines: BudgetLine[] = [own]
  if (gauge.permissibleError > 0) lines.push({ source: 'gauge-error', words: 'Permissible error of the gauge, a/√3', u: rectangular(gauge.permissibleError), nu: Infinity, shared: true })
  if (gauge.hysteresis > 0) lines.push({ source: 'hysteresis', words: 'Hysteresis: the pushes reverse the plunger, h/√3', u: rectangular(gauge.hysteresis), nu: Infinity, shared: true })
  if (closing > 0) lines.push({ source: 'closing', words: 'Largest closing error r, (r/2)/√3', u: rectangular(closing / 2), nu: Infinity, shared: false })
  const scaled = [...lines.map(line => ({ ...line, u: line.u * scale })), ...(options.extra ?? [])]
  const combined = combine(scaled)
  return { value: Math.abs(meanSignedPlay(live)) * scale, n, lines: scaled, ...combined, oneMore: n >= 3 && own.source === 'repeatability' ? oneMoreReading(scaled, n) : null }
}

function repeatability(live: readonly Repeat[], gauge: Gauge, pooled: Pooled | null): BudgetLine {
  const n = live.length
  if (n >= 3) return { source: 'repeatability', words: `Spread of ${n} readings, s/√${n}`, u: standardDeviation(live.map(signedPlay)) / Math.sqrt(n), nu: n - 1, shared: false }
  if (pooled && pooled.nu > 0) return { source: 'repeatability', words: `Earlier series with this gauge, s_p/√${n}`, u: pooled.s / Math.sqrt(n), nu: pooled.nu, shared: false }
  return { source: 'repeatability', words: `Stated repeatability of the gauge, /√${n}: assumed`, u: gauge.repeatability / Math.sqrt(n), nu: Infinity, shared: false, assumed: true }
}

function oneMoreReading(lines: readonly BudgetLine[], n: number): number {
  const next = lines.map(line => (line.source === 'repeatability' ? { ...line, u: line.u * Math.sqrt(n / (n + 1)), nu: n } : line))
  const { u, nu } = combine(next)
  return coverageFactor(nu) * u
}

/** The part of an estimate's variance that its own readings carry, nm²: what is left when the same gauge took both of two results. */
export const ownVariance = (lines: readonly BudgetLine[]): number => lines.reduce((sum, line) => sum + (line.shared ? 0 : line.u ** 2), 0)
export const sharedVariance = (lines: readonly BudgetLine[]): number => lines.reduce((sum, line) => sum + (line.shared ? line.u ** 2 : 0), 0)
