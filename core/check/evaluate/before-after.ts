import { stated, type Estimate } from '../../reading/estimate'
import { sumOf } from '../../reading/sum'
import { endsOf } from '../../verdict/limits'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import { counts } from './gravity'
import { resultName } from './state-words'

/** A figure as it was found, and as it is now. */
export interface BeforeAfter {
  readonly id: string
  readonly name: string
  /** null: it was not measured before anything was changed */
  readonly before: ResultEvaluation | null
  readonly after: ResultEvaluation
  /** now less then, where both gave a figure; what the same gauge shares in both is carried once */
  readonly change: Estimate | null
}

const holds = (result: ResultEvaluation | undefined): result is ResultEvaluation =>
  result !== undefined && (result.estimate !== null || result.atMost !== null)

/**
 * Every figure that weighs, before and after: what a record of a repair begins with.
 * @param found  the first fitting as it was found, before any part was replaced
 */
export function beforeAfter(found: FittingEvaluation, now: FittingEvaluation): BeforeAfter[] {
  return now.results.filter(counts).map(after => {
    const then = found.results.find(({ id }) => id === after.id)
    const before = after.was ? asItWas(after, after.was) : holds(then) ? then : null
    const both = before?.valid && before.estimate && after.valid && after.stale === null ? after.estimate : null
    return { id: after.id, name: resultName(after), before, after, change: both && less(both, before!.estimate!) }
  })
}

/** A figure of the old parts, by the limits of the new. */
function asItWas(after: ResultEvaluation, was: Estimate): ResultEvaluation {
  const ends = endsOf(after.limits.working)
  const state = ends === null ? 'no-limit' : was.value < ends.lower ? 'below' : was.value > ends.upper ? 'above' : 'in'
  return { ...after, estimate: was, was: null, valid: true, state, overrule: null, atMost: null, findings: [] }
}

const less = (now: Estimate, then: Estimate): Estimate => {
  const { value, lines } = sumOf([
    { name: 'now', factor: 1, estimate: now },
    { name: 'then', factor: -1, estimate: then },
  ])
  return stated(value, lines)
}
