import { answerRequest } from '../choice/answer/answer-request'
import type { JudgedCatalogue } from '../check/evaluate/judged-catalogue'
import { resultId } from '../check/contract'
import { chosenFor } from '../check/pack-place'
import type { PlaceEvaluation } from '../check/evaluate/evaluate-place'
import { makePlan } from '../choice/answer/make-plan'
import { orderPlan } from '../choice/answer/order-plan'
import { thickness, type Lot, type LotMap } from '../pack/lot'
import type { Proposal } from '../choice/answer/chooser/proposal'
import type { Prediction } from '../choice/answer/predict'
import { toldValue, type Told } from '../choice/question/told'
import { needsOrder, waysCompared, type WorkRates } from '../choice/answer/ways-compared'

/** JSON has no infinity: degrees of freedom without bound are null. */
export const finite = (value: number) => (Number.isFinite(value) ? value : null)

/** What a place comes to: what to ask of the drawer and its answer, what to order and to make, the ledger. */
export function placeAnswer(
  { place, aim, window, request, note, ledger, learned }: PlaceEvaluation,
  lots: LotMap,
  sheets: readonly Lot[],
  rates: WorkRates | null,
) {
  const choice = request && answerRequest(request)
  const lacking = choice && request && needsOrder(choice) ? request : null
  const order = lacking && orderPlan(lacking)
  const made = lacking ? makePlan({ ...lacking, sheets, lappable: place.lappable }) : []
  const told = request?.question.told
  return {
    id: place.id,
    label: place.label,
    result: chosenFor(place).result,
    aim,
    window: window && { low: finite(window.low), high: finite(window.high) },
    proposals: choice?.proposals.map(proposal => proposalAnswer(proposal, lots, told)) ?? [],
    choice: {
      proven: choice?.proven ?? null,
      fallback: choice?.fallback ?? null,
      notes: [...(note ? [note] : []), ...(choice?.notes ?? [])],
    },
    order,
    make: made.map(({ from, amount, target, low, high, rest, predicted, inside }) => ({
      lot: from.id,
      amount,
      target,
      low,
      high,
      with: rest,
      predicted: inFigure(predicted, told),
      chance: inside,
    })),
    ...(rates && lacking
      ? {
          ways: waysCompared(
            {
              proposal: choice!.fallback ? null : (choice!.proposals.find(({ change }) => change.in.length > 0) ?? null),
              order,
              make: made[0] ?? null,
            },
            rates,
            lacking.fitted,
            lots,
          ),
        }
      : {}),
    ledger: {
      state: ledger.state,
      words: ledger.words,
      base: ledger.base,
      apparentSlope: ledger.apparentSlope,
      suspect: ledger.suspect,
      bases: ledger.entries.map(({ id, total, play, base, u }) => ({ id, total, play, base, u })),
    },
    ...(learned
      ? {
          learned: {
            unit: learned.unit,
            slope: learned.line && {
              perNm: learned.line.slope,
              u: learned.line.uSlope,
              fittings: learned.line.count,
              byScatter: learned.line.byScatter,
            },
            next: learned.next,
            dragEnds: learned.ends,
            points: learned.points,
            ...(learned.film ? { film: learned.film } : {}),
            withoutDrag: learned.none,
          },
        }
      : {}),
  }
}

export const catalogueAnswer = ({ place, entries, note, elsewise }: JudgedCatalogue) => ({
  place,
  note,
  elsewise,
  entries: entries.map(({ words, pieces, setting, state, chance, here, leaves }) => ({
    words,
    pieces,
    setting,
    state,
    chance,
    here,
    leaves: leaves.map(({ result, position, estimate: { value, u, U }, atMost }) => ({
      id: resultId(result, position),
      value,
      u,
      U,
      ...(atMost ? { atMost } : {}),
    })),
  })),
})

/** What a pack leaves, in small units of its result; null where only the way can be told. */
const inFigure = <More extends object>(
  { play, u, U }: Pick<Prediction, 'play' | 'u' | 'U'>,
  told: Told | undefined,
  more: More = {} as More,
) => (told?.by === 'direction' ? null : { play: toldValue(play, told), u: toldValue(u, told), ...more, U: toldValue(U, told) })

function proposalAnswer(proposal: Proposal, lots: LotMap, told: Told | undefined) {
  const pieces = (pack: Proposal['pack']) => pack.map(({ lotId, count }) => ({ lot: lotId, count, thickness: thickness(lots.get(lotId)!) }))
  const { predicted } = proposal
  return {
    words: proposal.words,
    arithmetic: proposal.arithmetic,
    pieces: pieces(proposal.pack),
    order: proposal.order,
    total: proposal.total,
    takeOut: pieces(proposal.change.out),
    putIn: pieces(proposal.change.in),
    predicted: inFigure(predicted, told, { nuEff: finite(predicted.nu) }),
    chance: proposal.chance,
    unmeasured: proposal.unmeasured,
    ...(proposal.also.length > 0
      ? { also: proposal.also.map(({ id, play, u, nu, chance }) => ({ id, play, u, nuEff: finite(nu), chance })) }
      : {}),
    like: proposal.like,
    rests: proposal.predicted.rests,
    atMost: proposal.atMost,
  }
}
