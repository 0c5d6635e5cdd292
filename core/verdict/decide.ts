import { chanceInLimits, type Chance, type Known } from './chance'
import { bandOf, endsOf, type LimitSet } from './limits'

/** plain: a reading inside the limits passes. guarded: 95 % sure, or too close to call (ISO 14253-1). */
export type DecisionRule = 'plain' | 'guarded'

/** Where a check stands. `below` and `above` carry the words of the check kind: tight and loose for a play. */
export type VerdictState = 'to-do' | 'in' | 'below' | 'above' | 'close' | 'no-limit' | 'not-valid' | 'provisional' | 'stale'

/** Chance that must be reached for a guarded answer, and for a pack worth aiming at. */
export const SURE = 0.95

export interface Verdict {
  readonly plain: VerdictState
  readonly guarded: VerdictState
  /** by the rule of the check */
  readonly state: VerdictState
  readonly chance: Chance | null
}

function plainState(value: number, limits: LimitSet): VerdictState {
  const ends = endsOf(limits)
  if (!ends) return 'no-limit'
  if (value < ends.lower || (limits.lowerExcluded && value === ends.lower)) return 'below'
  if (value > ends.upper || (limits.upperExcluded && value === ends.upper)) return 'above'
  return 'in'
}

/** The guarded answer has to fall the way of the most likely side only when that side alone is 95 % sure. */
function guardedState(chance: Chance): VerdictState {
  if (chance.inside >= SURE) return 'in'
  if (chance.below >= SURE) return 'below'
  if (chance.above >= SURE) return 'above'
  return 'close'
}

/**
 * Judges a figure (nm) against one set of limits under both rules.
 * Source: ISO 14253-1:2017 default of 95 %; JCGM 106:2012, 8.
 */
export function judge(known: Known, limits: LimitSet | null, rule: DecisionRule): Verdict {
  const chance = chanceInLimits(known, limits)
  if (!limits || !chance) return { plain: 'no-limit', guarded: 'no-limit', state: 'no-limit', chance: null }
  const plain = plainState(known.value, limits)
  const guarded = guardedState(chance)
  return { plain, guarded, state: rule === 'plain' ? plain : guarded, chance }
}

export interface GaugeFit {
  readonly answer: 'fit' | 'wide' | 'cannot-decide' | 'no-band'
  /** U against half the band */
  readonly ratio: number | null
}

/** Can this gauge decide? U against half the band: over a quarter say so, over one it cannot. */
export function gaugeFit(U: number, limits: LimitSet | null): GaugeFit {
  const band = bandOf(limits)
  if (band === null || band === 0) return { answer: 'no-band', ratio: null }
  const ratio = U / (band / 2)
  return { answer: ratio > 1 ? 'cannot-decide' : ratio > 0.25 ? 'wide' : 'fit', ratio }
}
