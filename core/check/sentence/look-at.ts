import { answerRequest } from '../../choice/answer/answer-request'
import { lotMap, type Lot } from '../../pack/lot'
import type { Gauge } from '../../reading/gauge'
import type { CheckDocument } from '../document'
import type { CheckEvaluation } from '../evaluate/evaluate-check'
import { placeMoving, type Look } from './look'

/**
 * What the eye meets where nobody points elsewhere: what decides, and the best that can be done about it.
 * @param choosing  false: no pack is looked for
 */
export function lookAt(
  document: CheckDocument,
  evaluation: CheckEvaluation,
  lots: readonly Lot[],
  { register = [], choosing = true }: { readonly register?: readonly Gauge[]; readonly choosing?: boolean } = {},
): Look {
  const { phase, headline, current, next } = evaluation
  const working = phase === 'choose' ? current.results.find(({ id }) => id === next?.standing?.result) : undefined
  const shown = working ?? headline
  const place = placeMoving(evaluation, shown)
  const asked = choosing && document.signOff === null && place?.place.chosen.by !== 'catalogue' ? (place?.request ?? null) : null
  const choice = asked && answerRequest(asked)
  const proposal = choice?.proposals[0] ?? null
  return { document, evaluation, phase, shown, place, choice, proposal, picked: false, lots: lotMap(lots), register }
}
