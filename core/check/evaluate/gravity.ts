import type { VerdictState } from '../../verdict/decide'
import { endsOf } from '../../verdict/limits'
import type { SignedFigure } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'

/** How much each state weighs; below and above weigh alike. */
const WEIGHT: Readonly<Record<VerdictState, number>> = {
  'stale': 8,
  'not-valid': 7,
  'below': 6,
  'above': 6,
  'close': 5,
  'doubted': 4.5,
  'no-limit': 4,
  'to-do': 3,
  'part-read': 3.5,
  'provisional': 2,
  'in': 1,
}

/** The graver first. */
export const byGravity = (a: Pick<ResultEvaluation, 'state'>, b: Pick<ResultEvaluation, 'state'>): number =>
  WEIGHT[b.state] - WEIGHT[a.state]
/** In, or in but for what is still to be done. */
export const isFine = ({ state }: Pick<ResultEvaluation, 'state'>): boolean => state === 'in' || state === 'provisional'

/** Does this result weigh on the check? Main ones always; others once they are measured and limits for them are known, or where they are out whatever the limits. */
export const counts = (result: ResultEvaluation): boolean =>
  result.kind.main ||
  (result.overrule !== null && !result.kind.unjudged) ||
  (result.estimate !== null && result.limits.working !== null && result.limits.working.kind !== 'none')

/** What a signature stands under: every figure that weighs, as it is computed now. */
export const signedFigures = ({ results }: Pick<FittingEvaluation, 'results'>): SignedFigure[] =>
  results.filter(counts).map(({ id, estimate, state }) => ({ id, value: estimate?.value ?? null, U: estimate?.U ?? null, state }))

const inside = (result: ResultEvaluation) => result.verdict.working?.chance?.inside ?? 1
/** How far outside its limits, nm. */
function outside({ estimate, limits }: ResultEvaluation): number {
  const ends = endsOf(limits.working)
  return estimate && ends ? Math.max(0, ends.lower - estimate.value, estimate.value - ends.upper) : 0
}
const worse = (a: ResultEvaluation, b: ResultEvaluation) =>
  WEIGHT[b.state] - WEIGHT[a.state] || inside(a) - inside(b) || outside(b) - outside(a)

/** Positions by the worst of their results that count, the worst first. */
export function rankedPositions(results: readonly ResultEvaluation[]): string[] {
  const sorted = results.filter(result => counts(result) && result.position !== null).sort(worse)
  return [...new Set(sorted.map(result => result.position!))]
}

/** The result that decides: the worst state, then the least chance in limits, then what lies furthest outside them, then the order of the kind. */
export function worstOf(results: readonly ResultEvaluation[]): ResultEvaluation {
  return results.filter(counts).reduce((a, b) => (worse(a, b) > 0 ? b : a))
}
