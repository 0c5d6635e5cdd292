import { decimalsApart, formatFigure, type Unit } from '../../quantity/figure'
import { sharedVariance, type Estimate } from '../../reading/estimate'
import { gaugeFit, type GaugeFit, type VerdictState } from '../../verdict/decide'
import { finiteEnds } from '../../verdict/limits'
import { readingsToSettle } from '../../verdict/settle'
import type { PlaceQuestion } from '../../choice/answer/allocation/columns'
import type { Lot } from '../../pack/lot'
import { withStrays } from '../../pack/strays'
import type { Phase, Step } from '../../method/step'
import type { CheckKind, NextStep } from '../contract'
import type { PackPlace } from '../pack-place'
import { asSigned } from '../as-signed'
import { asItWasFound, type CheckDocument, type Trial } from '../document'
import { isTicked, stepsOf } from '../said'
import { concerning, conditionsOf, pendingItems, type ConditionState, type PendingItem } from './said-conditions'
import { withPlaceDoubt } from './doubt'
import { evaluateFitting } from './evaluate-fitting'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import { counts, isFine } from './gravity'
import { stateWord } from './state-words'
import { evaluatePlace, placeByKind, type PlaceEvaluation } from './evaluate-place'
import { evaluateLearned } from './learned-place'
import { cataloguesOf, type JudgedCatalogue } from './judged-catalogue'
import { checkKind } from '../registry'
import type { Target } from '../work'
import { targetsOf } from './targets'
import { signOffGate, type SignOffGate } from './sign-off-gate'

export interface CheckEvaluation {
  /** the drawer it was reckoned with: what was signed is as it was then */
  readonly lots: readonly Lot[]
  readonly trials: readonly FittingEvaluation[]
  /** the first fitting as it was found, before any part was replaced */
  readonly found: FittingEvaluation
  /** the fitting that is in the machine now */
  readonly current: FittingEvaluation
  /** the result that decides */
  readonly headline: ResultEvaluation
  /** its estimate, where its series is valid */
  readonly estimate: Estimate | null
  readonly state: VerdictState
  readonly word: string
  readonly gauge: GaugeFit | null
  /** empty where nothing is chosen */
  readonly places: readonly PlaceEvaluation[]
  /** what places can be filled with by the kind's own reckoning, and how it is set */
  readonly catalogues: readonly JudgedCatalogue[]
  /** figures to work to, in the present fitting */
  readonly targets: readonly Target[]
  /** what is to be done now, where the kind has an order of work of its own; null: as usual */
  readonly next: NextStep | null
  /** what else the kind works out; null where it does not */
  readonly details: object | null
  /** required steps not ticked yet */
  readonly pending: readonly Step[]
  /** the state the unit is in, as far as it was said of the present fitting */
  readonly conditions: readonly ConditionState[]
  /** what is done after the proof; it holds nothing back */
  readonly reminders: readonly PendingItem[]
  readonly signOff: SignOffGate
  readonly phase: Phase
}

/**
 * Evaluates one check: estimates with their budgets, gates, verdicts against both limits, the questions to the chooser, the ledger,
 * the proof. Pure: the same document and drawer give the same answer in the browser, on the server and from a file.
 * @param drawer  all of it; pieces on hand and reserved as they are now
 */
export function evaluateCheck(document: CheckDocument, drawer: readonly Lot[]): CheckEvaluation {
  const lots = asSigned(document, withStrays(drawer))
  const kind = checkKind(document.kind)
  const steps = kind.procedure(document.setup)
  const pendingFor = (trial: Trial) => stepsOf(steps, trial).filter(step => step.required && !isTicked(document, step, trial))
  const provisional = (index: number, position: string | null) =>
    pendingFor(document.trials[index]!).length > 0 ||
    concerning(conditionsOf(kind, document, index), position).some(({ is }) => is !== 'as-asked')

  const read = document.trials.map((_, i) => evaluateFitting(document, kind, i, provisional, lots))
  const pending = pendingFor(document.trials.at(-1)!)
  const conditions = conditionsOf(kind, document)
  const asFound = evaluateFitting(asItWasFound(document), kind, 0, provisional, lots)
  const reckoned = kind.places(document.setup).map(place => evaluatorOf(place)(document, kind, place, { trials: read, asFound }, lots))
  const current = withPlaceDoubt(read.at(-1)!, reckoned, document)
  const trials = [...read.slice(0, -1), current]
  const places = reckoned.map(place => ({ ...place, result: current.results.find(({ id }) => id === place.result?.id) ?? null }))
  const catalogues = cataloguesOf(document, kind, current, places, lots)
  const { headline } = current
  const { targets, next } = workOf(document, kind, current)
  const estimate = headline.valid ? headline.estimate : null
  return {
    lots,
    trials,
    found: asFound,
    current,
    headline,
    estimate,
    places,
    catalogues,
    pending,
    conditions,
    reminders: pendingItems(kind, document),
    targets,
    next,
    details: kind.details?.(document.setup, current.answers, targets) ?? null,
    state: current.state,
    word: stateWord(headline),
    gauge: estimate ? gaugeFit(estimate.U, headline.limits.working) : null,
    signOff: signOffGate(document, current, places, { pending, conditions }),
    phase: phaseOf(),
  }

  function phaseOf(): Phase {
    if (document.signOff) return 'prove'
    const main = current.results.filter(counts)
    const measured = main.filter(result => result.estimate !== null || result.overrule !== null)
    const refitted = document.trials.length > 1
    const begun = refitted || document.trials.some(trial => trial.readings.length > 0)
    if (next && begun) return next.phase
    if (main.some(result => result.stale !== null)) return 'measure'
    if (measured.length === 0 && !refitted) return pending.some(step => step.phase === 'setup') ? 'setup' : 'measure'
    const whole = measured.length === main.length && !main.some(({ state }) => state === 'not-valid' || state === 'part-read')
    if (!whole) return refitted ? 'prove' : 'measure'
    // Too close to call: while readings can settle it, nothing is changed.
    const settles =
      headline.state === 'close' && headline.estimate && readingsToSettle(headline.estimate, headline.limits.working, document.rule)
    if (settles) return refitted ? 'prove' : 'measure'
    const nothingToChoose = places.length === 0 && (targets.length === 0 || kind.next !== undefined)
    return nothingToChoose || isFine(current) || current.state === 'doubted' ? 'prove' : 'choose'
  }
}

function evaluatorOf({ chosen }: PackPlace) {
  switch (chosen.by) {
    case 'window':
      return evaluatePlace
    case 'slope':
      return evaluateLearned
    case 'catalogue':
      return chosen.window ? evaluatePlace : placeByKind
  }
}

/** What a kind worked out besides, with its types; null where the check is of another kind. */
export const detailsOf = <Details extends object>(
  kind: CheckKind<Details>,
  document: Pick<CheckDocument, 'kind'>,
  { details }: Pick<CheckEvaluation, 'details'>,
): Details | null => (document.kind === kind.id ? (details as Details | null) : null)

/** Figures to work to, and what comes next where the kind has an order of its own. */
function workOf(document: CheckDocument, kind: CheckKind, { answers }: FittingEvaluation): Pick<CheckEvaluation, 'targets' | 'next'> {
  const targets = targetsOf(document, kind, answers)
  return { targets, next: kind.next?.(document.setup, answers, targets) ?? null }
}

/** What comes next by the kind’s own order of work, from the readings alone: no drawer is looked at. Null: as usual. */
export function nextStepOf(document: CheckDocument): NextStep | null {
  const kind = checkKind(document.kind)
  if (!kind.next) return null
  const current = evaluateFitting(document, kind, document.trials.length - 1, () => false)
  return workOf(document, kind, current).next
}

/** Points at which a hand said before what the figure contradicts: to be said again, before anything else. */
export const askedAgain = (document: CheckDocument): string[] =>
  evaluateFitting(document, checkKind(document.kind), document.trials.length - 1, () => false).results.flatMap(({ again }) => again)

/** Places that are measured and can be chosen for, as an allocation asks about them; what is in for a trial is not chosen for. */
export const openPlaces = (evaluation: Pick<CheckEvaluation, 'places'>): PlaceQuestion[] =>
  evaluation.places.flatMap(({ place, request }) => {
    if (!request || place.chosen.by === 'catalogue' || place.holds === 'packing') return []
    const { drawer, ...asked } = request
    return [{ ...asked, id: place.id, takes: drawer.map(({ id }) => id) }]
  })
/** What all of them may use. */
export const drawerOfAll = ({ places }: Pick<CheckEvaluation, 'places'>): Lot[] => [
  ...new Map(places.flatMap(({ request }) => request?.drawer.map(lot => [lot.id, lot] as const) ?? [])).values(),
]

/** A result's figure as text in a unit, with a digit more where rounding would hide the verdict. */
export function shownFigure(result: Pick<ResultEvaluation, 'estimate' | 'limits'>, unit: Unit): string {
  if (!result.estimate) return '–'
  const decimals = decimalsApart(result.estimate.value, finiteEnds(result.limits.working), unit)
  return formatFigure(result.estimate.value, unit, { decimals })
}

/** Own part of a prediction's uncertainty, nm: without the gauge's share, which the proof's reading carries too. */
export function predictionOwn(u: number, estimate: Estimate | null): number {
  return Math.sqrt(Math.max(0, u ** 2 - (estimate ? sharedVariance(estimate.lines) : 0)))
}
