import { studentCdf } from '../reading/student'
import type { LimitSet } from './limits'
import { endsOf } from './limits'

/** What is known of a figure: value and standard uncertainty in nm, degrees of freedom. */
export interface Known {
  readonly value: number
  readonly u: number
  readonly nu: number
}

export interface Chance {
  readonly inside: number
  readonly below: number
  readonly above: number
}

/** P(X ≤ x) for a figure known with u and ν. */
function upTo(x: number, { value, u, nu }: Known): number {
  if (x === Infinity) return 1
  if (x === -Infinity) return 0
  if (u === 0) return x >= value ? 1 : 0
  return studentCdf((x - value) / u, nu)
}

/**
 * The chance that the true figure lies inside, below and above the limits, from its t (or normal) distribution.
 * Source: JCGM 106:2012, 7. Null when there are no limits to judge by.
 * @example chanceInLimits({ value: 0, u: 1, nu: Infinity }, twoSided(-1, 1, 'mm', { kind: 'book' }))?.inside // 0.682689
 */
export function chanceInLimits(known: Known, limits: LimitSet | null): Chance | null {
  const ends = endsOf(limits)
  if (!ends) return null
  const below = known.u === 0 && known.value === ends.lower ? 0 : upTo(ends.lower, known)
  const above = 1 - upTo(ends.upper, known)
  return { inside: Math.max(0, 1 - below - above), below, above }
}
