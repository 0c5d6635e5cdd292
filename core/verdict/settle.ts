import { combine } from '../reading/budget'
import type { Estimate } from '../reading/estimate'
import { chanceInLimits } from './chance'
import { FAIRLY_SURE, SURE, type DecisionRule } from './decide'
import type { LimitSet } from './limits'

/** So many readings of one fitting are worth taking; after that a reason settles it. */
const MOST_READINGS = 6

/** What is known of a figure after so many more readings like those it has: their scatter shrinks, all else stays. */
export function afterMore({ value, n, lines }: Estimate, more: number) {
  const shrunk = lines.map(line =>
    line.source === 'repeatability'
      ? { ...line, u: line.u * Math.sqrt(n / (n + more)), nu: line.nu === n - 1 ? n + more - 1 : line.nu }
      : line,
  )
  const { u, nu } = combine(shrunk)
  return { value, u, nu }
}

/**
 * How many more readings like those it has would settle a figure that is too close to call, up to six in all.
 * @returns 0: it is settled, or the rule goes by the value alone; null: readings alone would not do it
 */
export function readingsToSettle(estimate: Estimate, limits: LimitSet | null, rule: DecisionRule): number | null {
  if (rule === 'plain' || chanceInLimits(estimate, limits) === null) return 0
  const level = rule === 'guarded' ? SURE : FAIRLY_SURE
  for (let more = 0; more === 0 || estimate.n + more <= MOST_READINGS; more++) {
    const { inside, below, above } = chanceInLimits(afterMore(estimate, more), limits)!
    if (Math.max(inside, below, above) >= level) return more
  }
  return null
}
