import type { CheckDocument } from '../document'
import { byGravity, counts } from '../evaluate/gravity'
import { resultName, stateWord } from '../evaluate/state-words'
import { readingsAt } from '../evaluate/point-readings'
import { shownFigure, type CheckEvaluation } from '../evaluate/evaluate-check'
import { checkKind } from '../registry'
import { unitOfResult } from '../common/results'
import { unitName } from '../../quantity/figure'
import { lowerFirst } from '../../quantity/first-letter'
import { untilWords } from './provisional-words'
import { unvoided } from '../../reading/reading'
import { describeLimits } from '../../verdict/limits'
import type { VerdictState } from '../../verdict/decide'
import type { Voice } from './look'

/** What has to be known before there is no way back: three lines. */
export interface ClosingCard {
  readonly state: VerdictState
  /** `In 3.1 thou, of 2 – 6 thou` */
  readonly answer: string
  /** what the kind is asked before it is closed up, each with its answer and the figure behind it */
  readonly questions: readonly { readonly ask: string; readonly answer: 'Yes' | 'No' | 'Not sure' | 'Not known'; readonly figure: string }[]
  /** what speaks against closing; null: nothing */
  readonly stop: string | null
  /** every other figure that weighs, the gravest first */
  readonly others: readonly string[]
  /** figures that answer a question of their own beside it: what is left to travel, the reserve */
  readonly beside: string | null
  /** what it will come to once it is closed with its film; null: nothing is to come */
  readonly film: string | null
  /** which readings, which gauge, since when, in which state of the unit */
  readonly rests: string
  /** what is not done yet, the gravest first */
  readonly open: string
}

/** States in which nothing is closed up. */
const AGAINST: readonly VerdictState[] = ['below', 'above', 'not-valid', 'stale', 'part-read', 'to-do']

export function closingCard(document: CheckDocument, evaluation: CheckEvaluation, { system, time }: Voice): ClosingCard {
  const { headline, word, state, conditions, reminders, signOff: gate } = evaluation
  const { signOff } = document
  const judged = evaluation.current.results.filter(counts)
  const unit = unitOfResult(headline.kind, system)
  const several = judged.length > 1
  const figure = headline.estimate ? ` ${shownFigure(headline, unit)} ${unitName(unit)}` : ''
  const limits = headline.limits.working ? `, limits ${describeLimits(headline.limits.working, unit)}` : ''
  return {
    state,
    stop: stopOf(),
    others: otherAnswers(),
    answer: `${several ? `${resultName(headline)}: ` : ''}${headline.state === 'doubted' ? `In${figure}${limits}, but ${headline.doubt}` : `${word}${figure}${limits}`}`,
    questions: questionsOf(),
    beside: besideIt(),
    film: evaluation.places.flatMap(({ film }) => (film && !signOff ? [film.words] : [])).join(' ') || null,
    rests: restsOn(),
    open: stillOpen(),
  }

  /** Out, not valid, stale, or not all of it read and said: it is not closed up. */
  function stopOf(): string | null {
    if (signOff) return null
    const against = judged.filter(({ state: is }) => AGAINST.includes(is))
    if (against.length > 0)
      return `Do not close: ${several ? against.map(result => `${resultName(result)} ${lowerFirst(stateWord(result))}`).join('; ') : lowerFirst(word)}.`
    return gate.blockers.length > 0 ? 'Do not close: not all of it is read and said.' : null
  }

  function questionsOf(): ClosingCard['questions'] {
    const { questions = {} } = checkKind(document.kind)
    return Object.entries(questions).map(([kind, { ask, no }]) => {
      const result = evaluation.current.results.find(of => of.kind.id === kind)
      if (!result?.estimate || !result.valid || result.stale) return { ask, answer: 'Not known', figure: 'not all of it is read and said' }
      const own = unitOfResult(result.kind, system)
      const { working } = result.limits
      const figure = `${lowerFirst(resultName(result))} ${shownFigure(result, own)} ${unitName(own)}${working ? `, ${describeLimits(working, own)}` : ''}`
      // Nothing less than nothing goes on, limits or none.
      const never = no === 'below' && result.estimate.value <= 0
      const open = !working && !(no === 'below' && result.estimate.value - result.estimate.U > 0)
      const answer = never || result.state === no ? 'No' : open ? 'Not known' : result.state === 'close' ? 'Not sure' : 'Yes'
      return { ask, answer, figure: working || never || !open ? figure : `${figure}, and nobody said what it may be` }
    })
  }

  function otherAnswers(): string[] {
    const { questions = {} } = checkKind(document.kind)
    const others = judged.filter(({ id, kind }) => id !== headline.id && !kind.beside && !(kind.id in questions)).sort(byGravity)
    return others.map(result => {
      const own = unitOfResult(result.kind, system)
      return `${resultName(result)} ${lowerFirst(stateWord(result))}${result.estimate ? ` ${shownFigure(result, own)} ${unitName(own)}` : ''}`
    })
  }

  function besideIt(): string | null {
    const others = evaluation.current.results.filter(
      ({ kind, estimate, id }) =>
        kind.beside && estimate !== null && id !== headline.id && !(kind.id in (checkKind(document.kind).questions ?? {})),
    )
    const words = others.map(other => {
      const own = unitOfResult(other.kind, system)
      // What is judged too has its word.
      const word = counts(other) ? `, ${lowerFirst(stateWord(other))}` : ''
      return `${resultName(other)} ${shownFigure(other, own)} ${unitName(own)}${word}`
    })
    return words.length === 0 ? null : words.join(' · ')
  }

  function restsOn(): string {
    const points = checkKind(document.kind)
      .points(document.setup)
      .filter(({ id }) => headline.points.includes(id))
    const readings = points.flatMap(point => unvoided(readingsAt(document.trials, point, document.trials.length - 1)))
    if (readings.length === 0) return 'Rests on nothing: it was not measured as it is.'
    const newest = readings
      .map(({ at }) => at ?? '')
      .sort()
      .at(-1)
    const used = Object.values(document.gauges).filter(({ id }) => readings.some(({ gauge }) => gauge === id))
    const gauges = [...new Map(used.map(gauge => [gauge.id, gauge])).values()]
    const said = conditions.flatMap(({ condition, said: value }) =>
      value === null ? [] : [`${lowerFirst(condition.label)} ${lowerFirst(condition.states.find(own => own.value === value)!.label)}`],
    )
    return [
      `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}`,
      ...gauges.map(({ name }) => name),
      ...(newest ? [time(newest)] : []),
      ...said,
    ].join(' · ')
  }

  function stillOpen(): string {
    const waiting = reminders.filter(({ cleared }) => cleared === null).map(({ words }) => lowerFirst(words))
    const blockers = signOff ? [] : gate.blockers
    if (blockers.length > 0) return blockers.length === 1 ? blockers[0]! : `${blockers[0]} And ${blockers.length - 1} more.`
    const provisional = evaluation.current.results.find(result => counts(result) && result.state === 'provisional')
    const until = provisional && !signOff ? `In limits${untilWords(evaluation, provisional)}.` : null
    const later = waiting.length > 0 ? `Still to do: ${waiting.join('; ')}.` : null
    return [until, later].filter(words => words !== null).join(' ') || 'Nothing is pending.'
  }
}
