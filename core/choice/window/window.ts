import { endsOf, insideRange, type LimitSet } from '../../verdict/limits'
import type { Asked, Moved } from '../question/question'
import type { Response } from '../../pack/response'

/**
 * Total that would bring the play exactly to `target`, nm.
 * @example totalFor(thou(4), thou(20), thou(30), { perPiece: -1, pair: false }) // thou(46)
 */
export const totalFor = (target: number, play: number, fittedTotal: number, response: Response): number =>
  fittedTotal + (target - play) / response.perPiece

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

/** A closed range of pack totals, nm; empty where low is above high. */
export interface Totals {
  readonly low: number
  readonly high: number
}
const EVERY: Totals = { low: -Infinity, high: Infinity }
const both = (a: Totals, b: Totals): Totals => ({ low: Math.max(a.low, b.low), high: Math.min(a.high, b.high) })

/** Totals at which one result, of which the fitted pack leaves `play`, lies in a closed range. */
function totalsWithin(
  { low, high }: { readonly low: number; readonly high: number },
  play: number,
  fittedTotal: number,
  perPiece: 1 | -1,
): Totals {
  const ends = [low, high].map(end => totalFor(end, play, fittedTotal, { perPiece, pair: false }))
  return { low: Math.min(...ends), high: Math.max(...ends) }
}

/** The results a place moves, each with its sign: the one its pieces are chosen for first. */
export const movedBy = ({ question, response }: Pick<Asked, 'question' | 'response'>): readonly Moved[] => [
  { ...question, perPiece: response.perPiece },
  ...(question.also ?? []),
]

/**
 * Totals at which all that a place moves keeps its limits, and is not below what an earlier fitting showed to be no play.
 * @param plays  what the fitted pack leaves of each, in the order of `movedBy`; left out: as it is reckoned
 */
export function totalsFor(asked: Pick<Asked, 'question' | 'response'>, fittedTotal: number, plays?: readonly number[]): Totals {
  return movedBy(asked).reduce<Totals>((totals, { limits, from, atLeast, perPiece }, i) => {
    const inLimits = totalsWithin(insideRange(limits), plays?.[i] ?? Math.round(from.play), fittedTotal, perPiece)
    const shown = atLeast === null ? EVERY : totalsWithin({ low: atLeast, high: Infinity }, Math.round(from.play), fittedTotal, perPiece)
    return both(totals, both(inLimits, shown))
  }, EVERY)
}
