import { chanceInLimits, type Chance } from '../../verdict/chance'
import { insideRange, type LimitSet } from '../../verdict/limits'
import { samePack, type LotMap, type Pack } from '../../pack/lot'
import type { Response } from '../../pack/response'
import type { Measured } from '../grounds/grounds'
import { isUntold, type Asked, type Judged, type Moved } from '../question/question'
import { movedBy } from '../window/window'
import { predict, predictSum, type Prediction, type Swap } from './predict'

/** What a pack leaves of one result. */
export interface Left extends Prediction {
  readonly id: string
  readonly label: string
  /** null: it has no limits, or is only known to be at most so much */
  readonly chance: Chance | null
  /** what is predicted is the most it can be */
  readonly atMost: boolean
}

/** What a pack leaves of each result its pieces move besides, each by its own grounds and sign. */
export const leavesOf = (moved: readonly Moved[], fitted: Pack, next: Pack, lots: LotMap): Left[] =>
  moved.map(({ id, label, limits, perPiece, ...grounds }) => {
    const predicted = predict(grounds, fitted, next, lots, { perPiece })
    return {
      id,
      label,
      ...predicted,
      chance: surelyIn({ ...grounds, limits }, predicted, [{ fitted, next, perPiece }], lots),
      atMost: grounds.bound,
    }
  })

/** A place whose pack is changed, as it was asked about. */
export interface Change extends Asked {
  readonly next: Pack
}

/**
 * What changes at several places leave together: every result by the sum over all that move it. One place alone leaves what `predict`
 * says of its pack.
 */
export function leavesTogether(changes: readonly Change[], lots: LotMap): Left[] {
  const moved = changes.flatMap(change => movedBy(change).map(one => ({ one, change })))
  const ids = [...new Set(moved.map(({ one }) => one.id))]
  return ids.map(id => {
    const of = moved.filter(({ one }) => one.id === id)
    const changed = of.filter(({ change: { fitted, next } }) => !samePack(fitted, next))
    const [{ one, change }] = (changed.length > 0 ? changed : of) as [(typeof of)[number]]
    if (changed.length < 2) return leavesOf([one], change.fitted, change.next, lots)[0]!
    const swaps = changed.map(({ one: { perPiece }, change: { fitted, next } }) => ({ perPiece, fitted, next }))
    const predicted = predictSum(one, swaps, lots)
    return { id, label: one.label, ...predicted, chance: surelyIn(one, predicted, swaps, lots), atMost: one.bound }
  })
}

/** While fittings do not agree no pack is told to be surer than this: its class is that of even odds. */
export const MOST_IN_DOUBT = 0.79

/**
 * The chance that what swaps leave of a result is in its limits: while fittings do not agree, the least by each sum that could be right,
 * and never sure. Null: it has no limits, or is only known to be at most so much.
 */
export function surelyIn(
  { limits, bound, doubts, oddNow, from, uRefit }: Pick<Judged, 'limits' | 'bound' | 'doubts' | 'oddNow' | 'from' | 'uRefit'>,
  predicted: Prediction,
  swaps: readonly Swap[],
  lots: LotMap,
): Chance | null {
  const own = bound ? null : chanceOf(predicted, limits)
  const others = oddNow && predicted.rests === 'reading' ? [from] : doubts
  if (!own || others.length === 0) return own
  const each = others.map(other => chanceOf(predictSum({ from: other, uRefit }, swaps, lots), limits)!)
  const least = [own, ...each].reduce((a, b) => (b.inside < a.inside ? b : a))
  return { ...least, inside: Math.min(least.inside, MOST_IN_DOUBT) }
}

export const chanceOf = ({ play, u, nu }: Pick<Prediction, 'play' | 'u' | 'nu'>, limits: LimitSet | null): Chance | null =>
  chanceInLimits({ value: play, u, nu }, limits)

/** The least sure of them: a pack is as good as the worst result it leaves. */
export const worstChance = (own: Chance | null, others: readonly Pick<Left, 'chance'>[]): Chance | null =>
  others.reduce<Chance | null>((worst, { chance }) => (chance && (!worst || chance.inside < worst.inside) ? chance : worst), own)

/** A closed range of plays, nm */
export interface Range {
  readonly low: number
  readonly high: number
}

/** Is it foretold in its limits? Not where that cannot be told, nor, reckoned, below what an earlier fitting showed to be no play. */
export const isForetoldIn = ({ limits, bound, atLeast }: Judged, { play, rests }: Pick<Prediction, 'play' | 'rests'>): boolean =>
  !isUntold({ bound, limits }) && isWithin(insideRange(limits), play) && (rests !== 'sum' || atLeast === null || play >= atLeast)

export const isWithin = ({ low, high }: Range, play: number): boolean => play >= low && play <= high

/** Plays of the result chosen for at which every other keeps to a range of its own, nm. */
function playsAt(moved: readonly Moved[], from: Measured, response: Response, rangeOf: (one: Moved) => Range): Range {
  const base = Math.round(from.play)
  return moved.reduce<Range>(
    (range, one) => {
      const inside = rangeOf(one)
      const ends = [inside.low, inside.high].map(end => base + (response.perPiece * (end - Math.round(one.from.play))) / one.perPiece)
      return { low: Math.max(range.low, Math.min(...ends)), high: Math.min(range.high, Math.max(...ends)) }
    },
    { low: -Infinity, high: Infinity },
  )
}

/** Plays of the result chosen for at which every other keeps its limits, nm. */
export const alsoRange = (moved: readonly Moved[], from: Measured, response: Response): Range =>
  playsAt(moved, from, response, ({ limits, atLeast }) => {
    const { low, high } = insideRange(limits)
    return { low: Math.max(low, atLeast ?? -Infinity), high }
  })

/** What a pack for a trial may leave of another result: no nearer to where it binds than it is, but within its limits, where it is told. nm */
export function safeFor({ limits, cannotBind, from, bound }: Judged): Range {
  if (!limits) return { low: -Infinity, high: Infinity }
  const inside = bound ? { low: Infinity, high: -Infinity } : insideRange(limits)
  const now = Math.round(from.play)
  return cannotBind === 'above' ? { low: Math.min(now, inside.low), high: Infinity } : { low: -Infinity, high: Math.max(now, inside.high) }
}
/** Plays of the result chosen for at which that holds of every other, nm. */
export const safeRange = (moved: readonly Moved[], from: Measured, response: Response): Range => playsAt(moved, from, response, safeFor)
