import { prepareRequest } from '../choice/answer/answer-request'
import { choosePacks, type PackChoice } from '../choice/answer/chooser/choose'
import type { ChoiceRequest } from '../choice/question/question'
import { evaluateCheck, type CheckEvaluation } from '../check/evaluate/evaluate-check'
import type { PlaceEvaluation } from '../check/evaluate/evaluate-place'
import { answerOf } from '../check/sentence/answer'
import { placeMoving } from '../check/sentence/look'
import { lotMap, type Lot } from '../pack/lot'
import { systemOf } from '../quantity/figure'
import { lineAsCheck, type LineCheck } from './as-check'
import { lineInWords } from './line-words'
import type { Line } from './line'

/** A line reckoned, before its pieces are chosen. */
export interface ReckonedLine {
  readonly check: LineCheck
  readonly evaluation: CheckEvaluation
  readonly place: PlaceEvaluation | null
  /** what is asked of the pieces; null: there is nothing to choose, or it is asked first which way they move it */
  readonly request: ChoiceRequest | null
  /** what was not read or said, and would have to be before it is signed */
  readonly open: readonly string[]
  /** where it can hurt somebody; null: nothing more than usual */
  readonly caution: string | null
}
export interface LineAnswer {
  /** in a sentence */
  readonly words: string
  /** the sum it comes from; empty where there is none */
  readonly sum: string
}

/**
 * What a line comes to, by the core the bench has.
 * @param line  with a kind
 * @param text  as it was typed
 * @throws RangeError without a kind
 */
export function reckonLine(line: Line, text: string, drawer: readonly Lot[]): ReckonedLine {
  const check = lineAsCheck(line, text, drawer)
  const { document, lots } = check.bench
  const evaluation = evaluateCheck(document, lots)
  const place = check.undecided ? null : placeMoving(evaluation, evaluation.headline)
  const read = new Set(document.trials[0]!.readings.map(({ point }) => point))
  const unread = check.kind.points(document.setup).filter(({ id, optional }) => !optional && !read.has(id))
  const unsaid = evaluation.conditions.filter(({ is }) => is === 'not-said')
  return {
    check,
    evaluation,
    place,
    request: place?.request ?? null,
    open: [...unread.map(({ label }) => label), ...unsaid.map(({ condition }) => condition.label)],
    caution: check.kind.safety,
  }
}

/** @param choice  what its request brought; null: nothing is chosen, or not yet */
export function tellLine({ check, evaluation, place }: ReckonedLine, choice: PackChoice | null): LineAnswer {
  const { document, lots } = check.bench
  const shown = evaluation.headline
  const { sentence, sum } = answerOf(
    {
      document,
      evaluation,
      phase: 'choose',
      shown,
      place,
      choice,
      proposal: choice?.proposals[0] ?? null,
      picked: false,
      lots: lotMap(lots),
      register: [],
    },
    { system: systemOf(document.entryUnit), time: at => at },
  )
  // Why there is no figure is asked already.
  if (check.meaningless || (!shown.valid && check.asks.length > 0)) return { words: '', sum: '' }
  return {
    words: lineInWords({
      document,
      lots,
      shown,
      choice,
      place: place?.place.id ?? null,
      targets: evaluation.targets,
      beside: evaluation.current.results.filter(result => result.kind.beside && result.id !== shown.id),
      sentence,
    }),
    sum,
  }
}

/** Both at once, its pieces chosen here. */
export function answerLine(line: Line, text: string, drawer: readonly Lot[]): LineAnswer & ReckonedLine {
  const reckoned = reckonLine(line, text, drawer)
  const choice = reckoned.request && choosePacks(prepareRequest(reckoned.request), reckoned.request.question)
  return { ...reckoned, ...tellLine(reckoned, choice) }
}
