import { combine } from '../reading/budget'
import { ownVariance, sharedVariance } from '../reading/estimate'
import { quadrature } from '../reading/statistics'
import { aimPoint, type AimPoint } from '../verdict/aim'
import type { PackQuestion } from '../pack/chooser/choose'
import type { PackRules } from '../pack/chooser/prepare'
import { readLedger, type Ledger } from '../pack/ledger'
import { lotMap, packTotal, type Lot, type Pack } from '../pack/lot'
import { predictionNu } from '../pack/predict'
import type { Response } from '../pack/response'
import { packWindow, type Window } from '../pack/window'
import type { CheckKind, PackPlace } from './contract'
import { drawerFor, packIn, type CheckDocument } from './document'
import type { FittingEvaluation, ResultEvaluation } from './evaluate-fitting'

/** What the chooser needs, ready to hand to a worker. */
export interface ChoiceRequest {
  readonly drawer: readonly Lot[]
  readonly fitted: Pack
  readonly response: Response
  readonly rules: PackRules
  readonly question: PackQuestion
}

/** One place of a check: what it moves, what would do, and what to ask the chooser. */
export interface PlaceEvaluation {
  readonly place: PackPlace
  /** the result it moves, in the present fitting */
  readonly result: ResultEvaluation | null
  readonly aim: AimPoint | null
  /** totals that would do, nm; null where nothing is measured */
  readonly window: Window | null
  readonly request: ChoiceRequest | null
  /** why there is nothing to choose from */
  readonly note: string | null
  readonly ledger: Ledger
}

/**
 * Aim, window, question and ledger of one place.
 * @param fittings  all of the check, evaluated
 * @param lots  the whole drawer
 */
export function evaluatePlace(
  document: CheckDocument,
  kind: CheckKind,
  place: PackPlace,
  fittings: readonly FittingEvaluation[],
  lots: readonly Lot[],
): PlaceEvaluation {
  const index = lotMap(lots)
  const uRefit: number = document.uRefit
  const resultIn = (fitting: FittingEvaluation | undefined) => fitting?.results.find(result => result.id === place.result) ?? null
  const result = resultIn(fittings.at(-1))
  const ledger = ledgerOf()
  return { place, result, ledger, ...choiceOf() }

  /** Fittings of this place: each with everything that was read until it was taken apart again. */
  function ledgerOf(): Ledger {
    const ends = document.trials.flatMap((_, i) =>
      i + 1 === document.trials.length || document.trials[i + 1]!.refitted.includes(place.id) ? [i] : [],
    )
    const measured = ends.flatMap(i => {
      const pack = packIn(document.trials[i]!, place.id)
      const found = resultIn(fittings[i])
      return pack === null || !found?.valid || !found.estimate ? [] : [{ id: document.trials[i]!.id, pack, estimate: found.estimate }]
    })
    const shared = Math.sqrt(Math.max(0, ...measured.map(({ estimate }) => sharedVariance(estimate.lines))))
    const trials = measured.map(({ id, pack, estimate }) => ({
      id,
      pack,
      play: estimate.value,
      uOwn: quadrature(Math.sqrt(ownVariance(estimate.lines)), uRefit),
      U: result?.kind.floored === false ? -Infinity : estimate.U,
    }))
    return readLedger(trials, index, place.response, document.entryUnit, shared, kind.suspicions(document.setup))
  }

  function choiceOf(): Pick<PlaceEvaluation, 'aim' | 'window' | 'request' | 'note'> {
    const last = document.trials.at(-1)
    if (!last || !result?.valid || !result.estimate)
      return { aim: null, window: null, request: null, note: 'Measure first: the choice rests on a valid reading.' }
    const { estimate } = result
    const limits = result.limits.working
    const pack = packIn(last, place.id)
    const known = pack !== null
    const fitted = pack ?? []
    const from = fusedOr({ play: estimate.value, u: estimate.u, nu: estimate.nu }, pack)
    const nu = predictionNu(from, uRefit)
    const u = quadrature(from.u, uRefit)
    const asFound = resultIn(fittings[0])
    const aim = aimPoint(document.aim, limits, { u, nu, U: combine([{ u, nu }]).U }, asFound?.valid ? asFound.estimate!.value : null)
    const window = packWindow(limits, from.play, packTotal(fitted, index), place.response, known)
    if (result.kind.floored && from.play - estimate.U <= 0)
      return {
        aim,
        window: null,
        request: null,
        note: 'This play cannot be told from zero, so it says only “zero or less”: no base to choose from. Fit a looser pack and measure again.',
      }
    if (!known && place.swaps)
      return {
        aim,
        window: null,
        request: null,
        note: 'What is fitted here is not known: list it in Set up, then the drawer can be gone through.',
      }
    if (!known && window && window.high < 0)
      return { aim, window, request: null, note: 'The fitted pack is not known. List its pieces in Set up to see which ones to take out.' }
    if (!aim) return { aim, window, request: null, note: 'No limit known and no figure to aim at: set a figure of your own.' }
    return {
      aim,
      window,
      note: known ? null : 'The fitted pack is not known: pieces can only be added to it. List what is fitted to take pieces out.',
      request: {
        drawer: drawerFor(document, lots),
        fitted,
        response: place.response,
        rules: { ...document.packRules, ...place.rules },
        question: { measured: from, uRefit, aim: aim.target, limits, unit: document.entryUnit, cannotBind: result.kind.cannotBind },
      },
    }
  }

  /** Fittings that agree know the play better than the last one alone. */
  function fusedOr(single: { play: number; u: number; nu: number }, pack: Pack | null) {
    if (ledger.state !== 'agree' || !ledger.base || !pack) return single
    return { play: ledger.base.value + place.response.perPiece * packTotal(pack, index), u: ledger.base.u, nu: Infinity }
  }
}
