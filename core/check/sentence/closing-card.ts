import type { CheckDocument } from '../document'
import { resultName } from '../evaluate/evaluate-fitting'
import { readingsAt } from '../evaluate/point-readings'
import { shownFigure, type CheckEvaluation } from '../evaluate/evaluate-check'
import { checkKind } from '../registry'
import { unitOfResult } from '../common/results'
import { unitName } from '../../quantity/figure'
import { lowerFirst } from '../../quantity/first-letter'
import { unvoided } from '../../reading/reading'
import { describeLimits } from '../../verdict/limits'
import type { VerdictState } from '../../verdict/decide'
import type { Voice } from './look'

/** What has to be known before there is no way back: three lines. */
export interface ClosingCard {
  readonly state: VerdictState
  /** `In 3.1 thou, of 2 – 6 thou` */
  readonly answer: string
  /** figures that answer a question of their own beside it: what is left to travel, the reserve */
  readonly beside: string | null
  /** which readings, which gauge, since when, in which state of the unit */
  readonly rests: string
  /** what is not done yet, the gravest first */
  readonly open: string
}

export function closingCard(document: CheckDocument, evaluation: CheckEvaluation, { system, time }: Voice): ClosingCard {
  const { headline, word, state, conditions, reminders, signOff } = evaluation
  const unit = unitOfResult(headline.kind, system)
  const several = evaluation.current.results.filter(({ kind }) => kind.main).length > 1
  const figure = headline.estimate ? ` ${shownFigure(headline, unit)} ${unitName(unit)}` : ''
  const limits = headline.limits.working ? `, limits ${describeLimits(headline.limits.working, unit)}` : ''
  return {
    state,
    answer: `${several ? `${resultName(headline)}: ` : ''}${word}${figure}${limits}`,
    beside: besideIt(),
    rests: restsOn(),
    open: stillOpen(),
  }

  function besideIt(): string | null {
    const others = evaluation.current.results.filter(({ kind, estimate, id }) => kind.beside && estimate !== null && id !== headline.id)
    const words = others.map(other => {
      const own = unitOfResult(other.kind, system)
      return `${resultName(other)} ${shownFigure(other, own)} ${unitName(own)}`
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
    const gauges = Object.values(document.gauges).filter(({ id }) => readings.some(({ gauge }) => gauge === id))
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
    const blockers = document.signOff ? [] : signOff.blockers
    if (blockers.length > 0) return blockers.length === 1 ? blockers[0]! : `${blockers[0]} And ${blockers.length - 1} more.`
    return waiting.length > 0 ? `Still to do: ${waiting.join('; ')}.` : 'Nothing is pending.'
  }
}
