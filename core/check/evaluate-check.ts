import { formatLength, decimalsApart } from '../quantity/format-length'
import { UNIT_NAME, type Nm } from '../quantity/length'
import { combine } from '../reading/budget'
import { ownVariance, sharedVariance, type Estimate } from '../reading/estimate'
import { isValid } from '../reading/gates'
import { quadrature } from '../reading/statistics'
import { aimPoint, type AimPoint } from '../verdict/aim'
import { gaugeFit, judge, type GaugeFit, type Verdict, type VerdictState } from '../verdict/decide'
import { verdictWord } from '../verdict/words'
import { choosePacks, type PackChoice, type PackQuestion } from '../pack/chooser/choose'
import { prepareDrawer, type PackRules, type PreparedDrawer } from '../pack/chooser/prepare'
import { readLedger, type Ledger } from '../pack/ledger'
import { lotMap, packTotal, type Lot, type Pack } from '../pack/lot'
import { predictionNu } from '../pack/predict'
import { proofResidual, type Residual } from '../pack/residual'
import type { Response } from '../pack/response'
import { packWindow, type Window } from '../pack/window'
import type { Phase, Step } from '../method/step'
import type { MeasuredResult, PackPlace } from './contract'
import { drawerFor, workingLimits, type CheckDocument, type Trial } from './document'
import { checkKind } from './registry'

/** One fitting, judged. */
export interface TrialEvaluation {
  readonly id: string
  readonly results: readonly MeasuredResult[]
  readonly valid: boolean
  readonly verdict: { readonly book: Verdict | null, readonly shop: Verdict | null, readonly working: Verdict | null }
  /** with everything that can hold an answer back: gates, pending steps, stale parts */
  readonly state: VerdictState
  readonly residual: Residual | null
}

/** What the chooser needs, ready to hand to a worker. */
export interface ChoiceRequest {
  readonly drawer: readonly Lot[]
  readonly fitted: Pack
  readonly response: Response
  readonly rules: PackRules
  readonly question: PackQuestion
}

export interface CheckEvaluation {
  readonly trials: readonly TrialEvaluation[]
  /** the fitting that is in the machine now */
  readonly current: TrialEvaluation | null
  readonly estimate: Estimate | null
  readonly state: VerdictState
  readonly word: string
  readonly gauge: GaugeFit | null
  readonly place: PackPlace | null
  readonly aim: AimPoint | null
  /** totals that would do, nm; null where nothing is chosen or nothing measured */
  readonly window: Window | null
  readonly request: ChoiceRequest | null
  /** why there is nothing to choose from */
  readonly choiceNote: string | null
  readonly ledger: Ledger | null
  readonly pending: readonly Step[]
  /** what stands between this check and a signature; empty: sign */
  readonly signOff: { readonly blockers: readonly string[], /** may be signed only with a reason, and why */ readonly needsReason: string | null }
  readonly phase: Phase
}

/**
 * Evaluates one check: estimate with its budget, gates, verdict against both limits, the question to the chooser, the ledger, the
 * proof. Pure: the same document and drawer give the same answer in the browser, on the server and from a file.
 * @param lots  the whole drawer; pieces on hand and reserved as they are now
 */
export function evaluateCheck(document: CheckDocument, lots: readonly Lot[]): CheckEvaluation {
  const kind = checkKind(document.kind)
  const limits = workingLimits(document)
  const steps = kind.procedure(document.setup)
  const place = kind.places(document.setup)[0] ?? null
  const index = lotMap(lots)
  const last = document.trials.at(-1) ?? null
  const ticked = (step: Step, trial: Trial | null) => document.ticks.some(tick => tick.step === step.id && tick.trial === (step.phase === 'setup' ? null : trial?.id ?? null))
  // A proof step concerns a fitting that was changed; what was found needs only its set-up.
  const pendingFor = (trial: Trial | null) => steps.filter(step => step.required && !ticked(step, trial) && (step.phase !== 'prove' || (trial !== null && trial !== document.trials[0])))

  const trials = document.trials.map(trial => evaluateTrial(trial))
  const current = trials.at(-1) ?? null
  const estimate = current?.valid ? current.results[0]!.estimate : null
  const measured = estimate ? { play: estimate.value, u: estimate.u, nu: estimate.nu } : null
  const uRefit: number = document.uRefit
  const ledger = place ? ledgerOf() : null
  const choice = choiceOf()
  const state = document.signOff && !document.stale ? signedState() : current?.state ?? 'to-do'

  return {
    trials, current, estimate, state,
    word: verdictWord(state, kind.ends),
    gauge: estimate ? gaugeFit(estimate.U, limits) : null,
    place, ...choice, ledger,
    pending: pendingFor(last),
    signOff: signOffOf(),
    phase: phaseOf(),
  }

  function evaluateTrial(trial: Trial): TrialEvaluation {
    const results = kind.measure({ setup: document.setup, readings: trial.readings, gauge: document.gauge, limits, tipAngle: document.tipAngle, history: document.history })
    const main = results[0]!
    const valid = main.estimate !== null && isValid(main.findings)
    const against = (set: typeof limits) => (valid && set ? judge({ value: main.estimate!.value, u: main.estimate!.u, nu: main.estimate!.nu }, set, document.rule) : null)
    const working = valid ? judge({ value: main.estimate!.value, u: main.estimate!.u, nu: main.estimate!.nu }, limits, document.rule) : null
    const residual = valid && trial.predicted ? proofResidual(main.estimate!.value, Math.sqrt(ownVariance(main.estimate!.lines)), trial.predicted.play, trial.predicted.uOwn) : null
    return { id: trial.id, results, valid, verdict: { book: against(document.limits.book), shop: against(document.limits.shop), working }, state: stateOf(), residual }

    function stateOf(): VerdictState {
      if (main.estimate === null) return 'to-do'
      if (document.stale) return 'stale'
      if (!valid) return 'not-valid'
      if (working!.state === 'in' && pendingFor(trial).length > 0) return 'provisional'
      return working!.state
    }
  }

  function signedState(): VerdictState {
    return current?.verdict.working?.state ?? 'to-do'
  }

  function ledgerOf(): Ledger {
    const fittings = document.trials.flatMap((trial, i) => {
      const { valid, results } = trials[i]!
      const found = results[0]!.estimate
      if (!valid || !found || trial.pack === null) return []
      return [{ id: trial.id, pack: trial.pack, play: found.value, uOwn: quadrature(Math.sqrt(ownVariance(found.lines)), uRefit), U: found.U }]
    })
    const shared = Math.sqrt(Math.max(0, ...trials.map(t => sharedVariance(t.results[0]!.estimate?.lines ?? []))))
    return readLedger(fittings, index, place!.response, document.entryUnit, shared, kind.suspicions(document.setup))
  }

  function choiceOf(): Pick<CheckEvaluation, 'aim' | 'window' | 'request' | 'choiceNote'> {
    const nothing = (choiceNote: string | null) => ({ aim: null, window: null, request: null, choiceNote })
    if (!place) return nothing(null)
    if (!measured || !estimate || !last) return nothing('Measure first: the choice rests on a valid reading.')
    const known = last.pack !== null
    const fitted = last.pack ?? []
    const from = fusedOr(measured)
    const nu = predictionNu(from, uRefit)
    const u = quadrature(from.u, uRefit)
    const aim = aimPoint(document.aim, limits, { u, nu, U: combine([{ u, nu }]).U }, trials[0]?.valid ? trials[0].results[0]!.estimate!.value : null)
    const window = packWindow(limits, from.play, packTotal(fitted, index), place.response, known)
    if (from.play - estimate.U <= 0) return { aim, window: null, request: null, choiceNote: 'This play cannot be told from zero, so it says only “zero or less”: no base to choose from. Fit a looser pack and measure again.' }
    if (!known && window && window.high < 0) return { aim, window, request: null, choiceNote: 'The fitted pack is not known. List its pieces in Set up to see which ones to take out.' }
    if (!aim) return { aim, window, request: null, choiceNote: 'No limit known and no figure to aim at: set a figure of your own.' }
    return {
      aim, window,
      choiceNote: known ? null : 'The fitted pack is not known: pieces can only be added to it. List what is fitted to take pieces out.',
      request: {
        drawer: drawerFor(document, lots), fitted, response: place.response, rules: document.packRules,
        question: { measured: from, uRefit, aim: aim.target, limits, unit: document.entryUnit, cannotBind: kind.cannotBind },
      },
    }
  }

  /** Fittings that agree know the play better than the last one alone. */
  function fusedOr(single: { play: number, u: number, nu: number }) {
    if (ledger?.state !== 'agree' || !ledger.base || !last?.pack) return single
    return { play: ledger.base.value + place!.response.perPiece * packTotal(last.pack, index), u: ledger.base.u, nu: Infinity }
  }

  function signOffOf(): CheckEvaluation['signOff'] {
    if (document.signOff) return { blockers: ['This check is signed off.'], needsReason: null }
    const blockers: string[] = []
    if (!current || current.results[0]!.estimate === null) blockers.push('Nothing is measured with this fitting yet.')
    else if (!current.valid) blockers.push('The series is not valid: void the bad reading or take it again.')
    if (document.stale) blockers.push(`Stale: ${document.stale}. Measure again.`)
    for (const step of pendingFor(last)) blockers.push(`Still to tick: ${step.text}.`)
    const reasons: string[] = []
    const verdict = current?.verdict.working
    if (verdict && verdict.state !== 'in') reasons.push(verdict.state === 'no-limit' ? 'no limit is known' : verdict.state === 'close' ? 'it is too close to call' : 'it is outside the limits')
    if (current?.residual?.flagged) reasons.push(`the proof is ${formatLength(Math.abs(current.residual.difference), document.entryUnit, { unit: true })} off what was predicted`)
    if (ledger?.state === 'disagree' && document.trials.length > 1) reasons.push('the fittings do not agree')
    return { blockers, needsReason: reasons.length > 0 ? reasons.join('; ') : null }
  }

  function phaseOf(): Phase {
    if (document.signOff) return 'prove'
    const started = current !== null && current.results[0]!.estimate !== null
    if (!started && document.trials.length < 2) return pendingFor(last).some(step => step.phase === 'setup') ? 'setup' : 'measure'
    if (document.trials.length > 1 && (!started || !current!.valid)) return 'prove'
    if (!current!.valid) return 'measure'
    return !place || current!.state === 'in' || current!.state === 'provisional' ? 'prove' : 'choose'
  }
}

/** Prepares the drawer and answers: for the server, the file evaluation and the worker. */
export const prepareRequest = (request: Pick<ChoiceRequest, 'drawer' | 'fitted' | 'response' | 'rules'>): PreparedDrawer => prepareDrawer(request.drawer, request.fitted, request.response, request.rules)
export const answerRequest = (request: ChoiceRequest): PackChoice => choosePacks(prepareRequest(request), request.question)

/** The headline figure as text in a unit, with a digit more where rounding would hide the verdict. */
export function headlineFigure(evaluation: Pick<CheckEvaluation, 'estimate'>, document: CheckDocument, unit = document.entryUnit): string {
  if (!evaluation.estimate) return '–'
  const limits = workingLimits(document)
  const ends = [limits?.lower, limits?.upper].filter((end): end is Nm => end !== undefined)
  return formatLength(evaluation.estimate.value, unit, { decimals: decimalsApart(evaluation.estimate.value, ends, unit) })
}

/** `19.3 ± 0.5 thou` */
export const withU = (value: number, U: number, unit: CheckDocument['entryUnit']): string => `${formatLength(value, unit)} ± ${formatLength(U, unit)} ${UNIT_NAME[unit]}`

/** Own part of a prediction's uncertainty, nm: without the gauge's share, which the proof's reading carries too. */
export function predictionOwn(u: number, estimate: Estimate): number {
  return Math.sqrt(Math.max(0, u ** 2 - sharedVariance(estimate.lines)))
}
