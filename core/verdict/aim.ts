import { exact, type Exact } from '../quantity/figure'
import { chanceInLimits } from './chance'
import { SURE } from './decide'
import { endsOf, type LimitSet } from './limits'

export type AimSchool = 'middle' | 'tight' | 'loose' | 'as-found' | 'own'

/** Where in the limits a pack should bring the figure, and why. */
export interface Aim {
  readonly school: AimSchool
  readonly own?: Exact
  readonly reason?: string
}

/** An aim so far inside a limit as U reaches: 1, above the end; −1, below it. */
export interface Lean {
  /** small units */
  readonly end: number
  readonly toward: 1 | -1
}

export interface AimPoint {
  /** whole small units */
  readonly target: Exact
  /** Set where the point keeps U from a limit: each pack is aimed at by its own. */
  readonly lean?: Lean
  /** What was aimed at, for the screen. */
  readonly words: string
  /** Set when the school's point could not be used. */
  readonly caution?: string
}

export const AIM_NAME: Readonly<Record<AimSchool, string>> = {
  'middle': 'middle of the limits',
  'tight': 'tight end',
  'loose': 'loose end',
  'as-found': 'as found',
  'own': 'own figure',
}

function middleOf(limits: LimitSet, U: number): number | null {
  switch (limits.kind) {
    case 'two-sided':
      return (limits.lower + limits.upper) / 2
    case 'upper':
      return limits.upper / 2
    case 'lower':
      return limits.lower + U
    case 'figure':
      return limits.figure
    case 'none':
      return null
  }
}

/**
 * The point to aim at.
 *
 * Tight end: lower limit + U of the predicted figure; loose end: upper − U; with a lower limit alone the middle is its tight end. The
 * point is that of a pack whose pieces are certain: a pack's own U takes it further in. A point that leaves less than 95 % chance gives
 * way to the middle, and says so.
 * @param predicted  standard uncertainty and ν the prediction will have, and its U, nm
 * @param asFound  the figure before strip-down, nm, when it was measured
 */
export function aimPoint(
  aim: Aim,
  limits: LimitSet | null,
  predicted: { u: number; nu: number; U: number },
  asFound: number | null,
): AimPoint | null {
  const ends = endsOf(limits)
  const middle = limits ? middleOf(limits, predicted.U) : null
  const wanted = school()
  if (wanted === null)
    return middle === null
      ? null
      : point(
          middle,
          AIM_NAME.middle,
          aim.school === 'as-found'
            ? 'There is no measurement from before: the middle is used.'
            : aim.school === 'own'
              ? 'No figure given: the middle is used.'
              : `There is no ${AIM_NAME[aim.school]} here: the middle is used.`,
        )
  const chance = chanceInLimits({ value: wanted, u: predicted.u, nu: predicted.nu }, limits)
  if (!chance || chance.inside >= SURE || middle === null) return { ...point(wanted, AIM_NAME[aim.school]), ...leaning() }
  if (aim.school === 'middle')
    return point(middle, AIM_NAME.middle, 'Even the middle leaves less than 95 % chance: the band is narrow for this measurement.')
  return point(middle, AIM_NAME.middle, `The ${AIM_NAME[aim.school]} leaves less than 95 % chance: the middle is used.`)

  function leaning(): Pick<AimPoint, 'lean'> {
    const keeps = aim.school === 'middle' && limits?.kind === 'lower' ? 'tight' : aim.school
    if (keeps === 'tight') return { lean: { end: ends!.lower, toward: 1 } }
    return keeps === 'loose' ? { lean: { end: ends!.upper, toward: -1 } } : {}
  }

  function school(): number | null {
    switch (aim.school) {
      case 'middle':
        return middle
      case 'tight':
        return ends && Number.isFinite(ends.lower) ? ends.lower + predicted.U : null
      case 'loose':
        return ends && Number.isFinite(ends.upper) ? ends.upper - predicted.U : null
      case 'as-found':
        return asFound
      case 'own':
        return aim.own ?? null
    }
  }
}

function point(target: number, words: string, caution?: string): AimPoint {
  return { target: exact(Math.round(target)), words, ...(caution ? { caution } : {}) }
}
