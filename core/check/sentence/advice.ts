import type { Proposal } from '../../choice/answer/chooser/proposal'
import type { Gauge } from '../../reading/gauge'
import { chanceInLimits } from '../../verdict/chance'
import type { DecisionRule } from '../../verdict/decide'
import type { LimitSet } from '../../verdict/limits'
import { afterMore, readingsToSettle } from '../../verdict/settle'
import type { ResultEvaluation } from '../evaluate/evaluated'
import type { GaugeAhead } from '../evaluate/gauge-ahead'

/** What to do about a figure that is too close to call: one thing. */
export type Advice =
  /** so many more readings like those it has settle it */
  | { readonly by: 'reading'; readonly more: number }
  /** another gauge of the register, and what it will tell the figure to */
  | { readonly by: 'gauge'; readonly gauge: Gauge; readonly U: number }
  /** it is as it should be more likely than not, and nothing else is worth its trouble */
  | { readonly by: 'reason'; readonly inside: number }
  /** another pack, and its chance of being in limits */
  | { readonly by: 'refit'; readonly inside: number }

/** What things cost in readings: fetching another gauge, zeroing it and reading thrice. Experience. */
const GAUGE_COST = 5
/** A refit costs as much as so many readings, where the check says nothing else. Experience. */
export const REFIT_COST = 10
/** So much more chance is worth one reading's trouble. Experience: at ten readings a refit, half of the second fittings were needless. */
const WORTH = 0.02

/**
 * Of another reading, a finer gauge and a refit the one that gains the most chance for its trouble; where none is worth it, it is left and
 * signed with a reason.
 * @param ahead  what other gauges would tell of it
 * @param proposal  the best pack that is not the one fitted; null: none
 * @param refitCost  in readings
 * @returns null: it is not too close to call
 */
export function adviceFor(
  result: Pick<ResultEvaluation, 'estimate' | 'state' | 'limits'>,
  rule: DecisionRule,
  ahead: GaugeAhead | null,
  proposal: Pick<Proposal, 'chance' | 'change'> | null,
  refitCost = REFIT_COST,
): Advice | null {
  const { estimate, state, limits } = result
  const now = estimate && state === 'close' ? chanceInLimits(estimate, limits.working) : null
  if (!estimate || !now) return null
  const sureNow = surest(now)
  const offers: { readonly advice: Advice; readonly gained: number; readonly cost: number }[] = []
  const more = readingsToSettle(estimate, limits.working, rule)
  if (more) {
    const then = chanceInLimits(afterMore(estimate, more), limits.working)!
    offers.push({ advice: { by: 'reading', more }, gained: surest(then) - sureNow, cost: more })
  }
  const finer = ahead?.finer[0]
  if (finer && finer.U < estimate.U) {
    const then = chanceWith(estimate.value, finer.U, limits.working)
    offers.push({ advice: { by: 'gauge', gauge: finer.gauge, U: finer.U }, gained: surest(then) - sureNow, cost: GAUGE_COST })
  }
  const refit = proposal && proposal.change.in.length + proposal.change.out.length > 0 ? proposal.chance?.inside : undefined
  if (refit !== undefined) offers.push({ advice: { by: 'refit', inside: refit }, gained: refit - now.inside, cost: refitCost })
  const best = offers.filter(({ gained, cost }) => gained / cost > WORTH).sort((a, b) => b.gained / b.cost - a.gained / a.cost)[0]
  return best?.advice ?? { by: 'reason', inside: now.inside }
}

const surest = ({ inside, below, above }: { readonly inside: number; readonly below: number; readonly above: number }): number =>
  Math.max(inside, below, above)
/** U as good as the one of a figure known for sure to spread normally. */
const chanceWith = (value: number, U: number, limits: LimitSet | null) => chanceInLimits({ value, u: U / 1.96, nu: Infinity }, limits)!
