import { chanceInLimits, type Chance, type Known } from './chance'
import { bandOf, endsOf, type LimitSet } from './limits'

/** plain: a reading inside the limits passes. careful: 80 % sure, guarded: 95 % sure, or too close to call (ISO 14253-1). */
export type DecisionRule = 'plain' | 'careful' | 'guarded'
export const RULES: readonly DecisionRule[] = ['plain', 'careful', 'guarded']

/** Where a check stands. `part-read`: not every point the figure rests on was. `doubted`: in limits, and a named fault speaks against it. `below` and `above` carry the words of the check kind: tight and loose for a play. */
export type VerdictState =
  | 'to-do'
  | 'part-read'
  | 'in'
  | 'doubted'
  | 'below'
  | 'above'
  | 'close'
  | 'no-limit'
  | 'not-valid'
  | 'provisional'
  | 'stale'

/** Chance that must be reached for a guarded answer, and for a pack worth aiming at. */
export const SURE = 0.95
/** Chance that must be reached for a careful one. */
export const FAIRLY_SURE = 0.8

export interface Verdict {
  readonly plain: VerdictState
  readonly careful: VerdictState
  readonly guarded: VerdictState
  /** by the rule of the check */
  readonly state: VerdictState
  readonly chance: Chance | null
}

function plainState(value: number, limits: LimitSet): VerdictState {
  const ends = endsOf(limits)
  if (!ends) return 'no-limit'
  if (value < ends.lower || (ends.lowerExcluded && value === ends.lower)) return 'below'
  if (value > ends.upper || (ends.upperExcluded && value === ends.upper)) return 'above'
  return 'in'
}

/** The answer falls the way of a side only when that side alone is as sure as asked. */
function sureState(chance: Chance, level: number): VerdictState {
  if (chance.inside >= level) return 'in'
  if (chance.below >= level) return 'below'
  if (chance.above >= level) return 'above'
  return 'close'
}

/**
 * Judges a figure (nm) against one set of limits under every rule.
 * Source: ISO 14253-1:2017 default of 95 %; JCGM 106:2012, 8.
 * @example judge({ value: thou(3), u: thou(0.2), nu: Infinity }, twoSided(thou(2), thou(5), 'thou', { kind: 'book' }), 'guarded') // { state: 'in' }
 */
export function judge(known: Known, limits: LimitSet | null, rule: DecisionRule): Verdict {
  const chance = chanceInLimits(known, limits)
  if (!limits || !chance) return { plain: 'no-limit', careful: 'no-limit', guarded: 'no-limit', state: 'no-limit', chance: null }
  const states = {
    plain: plainState(known.value, limits),
    careful: sureState(chance, FAIRLY_SURE),
    guarded: sureState(chance, SURE),
  }
  return { ...states, state: states[rule], chance }
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
