import { coverageFactor } from '../../reading/student'
import { combine } from '../../reading/budget'
import { ownVariance, sharedVariance, type Estimate } from '../../reading/estimate'
import { judge, type DecisionRule, type Verdict } from '../../verdict/decide'
import type { LimitSet } from '../../verdict/limits'
import type { Residual } from '../../choice/grounds/residual'
import type { Predicted } from '../document'

/** A figure by its reading and by what its pack was foretold to leave, together. */
export interface ByBoth {
  readonly value: number
  readonly u: number
  readonly nu: number
  readonly U: number
  readonly verdict: Verdict
}

/**
 * The mean of a reading and its prediction, each weighed by what is its own; what both share, the gauge, counts once (weighted mean:
 * JCGM 100:2008, 4.1.4 with H.2; 5.2.2 for the shared part).
 * @param reading  with its budget
 * @param predicted  of the same figure
 * @example weighed with own u of 3 and 4: u² = 1/(1/9 + 1/16) = 2.4²
 */
export function meanOfBoth(reading: Estimate, predicted: Predicted): { readonly value: number; readonly u: number; readonly nu: number } {
  const own = ownVariance(reading.lines)
  const foretold = predicted.uOwn ** 2
  // Where nothing is its own it is known for sure, as far as the other goes.
  const weight = own + foretold === 0 ? 1 : foretold / (own + foretold)
  const shared = Math.max(sharedVariance(reading.lines), predicted.u ** 2 - foretold, 0)
  const { nu: ownNu } = combine(reading.lines.filter(({ shared: alike }) => !alike))
  const { u, nu } = combine([
    { u: weight * Math.sqrt(own), nu: ownNu },
    { u: (1 - weight) * predicted.uOwn, nu: predicted.nu ?? ownNu },
    { u: Math.sqrt(shared), nu: Infinity },
  ])
  return { value: weight * reading.value + (1 - weight) * predicted.play, u, nu }
}

/**
 * A reading that is too close to call, judged with its prediction where the two agree. Under the guarded rule the reading alone judges, and
 * what it puts in or out is never judged otherwise.
 * @param alone  what the reading says by itself
 */
export function byBoth(
  reading: Estimate,
  alone: Verdict,
  predicted: Predicted | null,
  residual: Residual | null,
  limits: LimitSet | null,
  rule: DecisionRule,
): ByBoth | null {
  if (rule === 'guarded' || alone.state !== 'close' || !predicted || !residual || residual.flagged) return null
  const { value, u, nu } = meanOfBoth(reading, predicted)
  const verdict = judge({ value, u, nu }, limits, rule)
  // What the reading alone puts out by its value is not brought in.
  const brought = verdict.state === 'in' && alone.plain !== 'in'
  return brought ? null : { value, u, nu, U: coverageFactor(nu) * u, verdict }
}
