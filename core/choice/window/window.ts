import { endsOf, type LimitSet } from '../../verdict/limits'
import type { Response } from '../../pack/response'
import { totalFor } from '../answer/predict'

/** The pack totals (nm) that would meet the limits; open ends are ±Infinity, the low end never below 0. */
export interface Window {
  readonly low: number
  readonly high: number
  /** the end itself would not do: it leaves a play that is excluded, such as none */
  readonly lowExcluded: boolean
  readonly highExcluded: boolean
}

/**
 * @param play  measured, nm
 * @param fittedTotal  of the pack it was measured with, nm; 0 when unknown, and the window is then one of changes
 * @returns null without limits, or when no total of zero or more can do it
 * @example packWindow(twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), thou(20), thou(30), { perPiece: -1, pair: false }) // { low: thou(44), high: thou(48) }
 */
export function packWindow(limits: LimitSet | null, play: number, fittedTotal: number, response: Response, known = true): Window | null {
  const ends = endsOf(limits)
  if (!ends) return null
  const lower = { at: totalFor(ends.lower, play, fittedTotal, response), excluded: ends.lowerExcluded }
  const upper = { at: totalFor(ends.upper, play, fittedTotal, response), excluded: ends.upperExcluded }
  const [low, high] = lower.at < upper.at ? [lower, upper] : [upper, lower]
  if (known && high.at < 0) return null
  const cut = known && low.at < 0
  return { low: cut ? 0 : low.at, high: high.at, lowExcluded: !cut && low.excluded, highExcluded: high.excluded }
}

/** What meets both; null where nothing does. */
export function bothWindows(a: Window, b: Window): Window | null {
  const [low, other] = a.low >= b.low ? [a, b] : [b, a]
  const [high, beside] = a.high <= b.high ? [a, b] : [b, a]
  if (low.low > high.high) return null
  return {
    low: low.low,
    high: high.high,
    lowExcluded: low.lowExcluded || (other.low === low.low && other.lowExcluded),
    highExcluded: high.highExcluded || (beside.high === high.high && beside.highExcluded),
  }
}
