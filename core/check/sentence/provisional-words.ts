import type { CheckEvaluation } from '../evaluate/evaluate-check'
import type { ResultEvaluation } from '../evaluate/evaluated'
import { stateWords } from '../evaluate/said-conditions'

/** Why what is in limits is not In yet: `, provisional until every required step is ticked`. */
export function untilWords(
  { pending, conditions }: Pick<CheckEvaluation, 'pending' | 'conditions'>,
  shown: Pick<ResultEvaluation, 'findings'>,
): string {
  const short = conditions.find(({ is }) => is === 'short')
  if (pending.length > 0) return ', provisional until every required step is ticked'
  if (conditions.some(({ is }) => is === 'not-said')) return ', provisional until it is said in which state it was measured'
  if (short) return `, provisional: measured with ${stateWords(short)}`
  return shown.findings.some(({ gate }) => gate === 'hot')
    ? ', read hot: provisional until it is read cold'
    : ' by hand: provisional until a gauge has been there'
}
