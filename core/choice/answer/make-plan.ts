import { leavesOf, surelyIn, worstChance } from './leaves'
import { movedBy, totalFor, totalsFor } from '../window/window'
import { pieceCount, lotMap, packTotal, thickness, type Lot, type Pack } from '../../pack/lot'
import { isUntold, type ChoiceRequest } from '../question/question'
import { NM_PER, nm, thou, type Nm } from '../../quantity/length'
import { endsOf } from '../../verdict/limits'
import { fineWidth } from './chooser/merit'
import { prepareDrawer } from './chooser/prepare'
import { searchPacks } from './chooser/search'
import { predict, type Prediction } from './predict'

/** The place a piece is made for, as the chooser is asked about it; sheets are lots of the shape `sheet`. */
export interface MakeRequest extends ChoiceRequest {
  readonly sheets: readonly Lot[]
  /** a piece for this place can be lapped, or made */
  readonly lappable: boolean
}

/** One piece to make: cut from sheet as it is, or lapped to a thickness; what goes in with it, and what that leaves. */
export interface MakeOption {
  readonly from: Lot
  /** to come off, nm; 0: cut from sheet and used as it is */
  readonly amount: Nm
  /** nm */
  readonly target: Nm
  /** thicknesses that still meet the limits; null where an end is open */
  readonly low: Nm | null
  readonly high: Nm | null
  /** the other pieces of the pack */
  readonly rest: Pack
  readonly predicted: Prediction
  /** chance in limits */
  readonly inside: number | null
}

/** More than this is too long a job by hand. Common practice. nm */
const MOST_OFF = thou(10)
/** Less is not worth a lapping plate: the piece would do as it is. nm */
const LEAST_OFF = NM_PER.tenth
/** Pieces that can be cut from one sheet for one place. */
const FROM_SHEET = 2
const TRIED = 24
const WANTED = 3
const MADE = 'made'

/**
 * How the place could be brought to its aim, as near as all it moves allows, with a piece made for it: cut from sheet where that lands
 * in limits, else the packs a little too thick, with the excess lapped off their thickest flat piece. Least to take off first, fewer
 * other pieces next. Equal pairs are not offered: both would have to be made alike.
 */
export function makePlan(request: MakeRequest): MakeOption[] {
  const { drawer, sheets, fitted, response, rules, question, lappable } = request
  // While only the way is known, or only a bound, nobody can say how thick a piece should be.
  const untold = movedBy(request).some(isUntold) || question.bound || question.told?.by === 'direction'
  if (!lappable || response.pair || untold) return []
  const raw = sheets.map(lot => ({ ...lot, shape: 'flat' as const, onHand: FROM_SHEET, reserved: 0 }))
  const isSheet = new Set(raw.map(lot => lot.id))
  const all = [...drawer.filter(lot => !isSheet.has(lot.id)), ...raw]
  const index = lotMap(all)
  const prepared = prepareDrawer(all, fitted, response, rules)
  const fittedTotal = packTotal(fitted, index)
  const play = Math.round(question.from.play)
  const does = totalsFor(request, fittedTotal)
  if (does.low > does.high) return []
  const goal = Math.min(does.high, Math.max(does.low, totalFor(question.aim, play, fittedTotal, response)))
  const leaves = (total: number) => play + response.perPiece * (total - fittedTotal)
  /** Packs with a total in a range, those nearest the aim. */
  const search = (low: number, high: number) => {
    const [a, b] = [leaves(low), leaves(high)]
    return searchPacks(prepared, {
      from: question.from,
      uRefit: question.uRefit,
      aim: leaves(goal),
      width: fineWidth(question.unit),
      limits: null,
      allowed: { low: Math.min(a, b), high: Math.max(a, b) },
      wanted: TRIED,
    }).found.map(({ picks }): Pack => picks.flatMap((x, at) => (x > 0 ? [{ lotId: prepared.lots[at]!.id, count: x }] : [])))
  }

  const cut = endsOf(question.limits)
    ? search(does.low, does.high).flatMap(pack => {
        const sheet = pack.find(piece => isSheet.has(piece.lotId))
        return sheet ? [option(pack, index.get(sheet.lotId)!, 0)] : []
      })
    : []
  // The fitted pack is no answer of the search, but a piece of it may be all that is too thick.
  const thick = [...(fitted.length > 0 ? [fitted] : []), ...search(goal + LEAST_OFF, goal + MOST_OFF)]
  const lapped = thick.flatMap(pack => {
    const excess = packTotal(pack, index) - goal
    const from = pack
      .map(piece => index.get(piece.lotId)!)
      .filter(lot => lot.shape === 'flat' && lot.id !== rules.required)
      .sort((a, b) => Number(isSheet.has(b.id)) - Number(isSheet.has(a.id)) || thickness(b) - thickness(a))[0]
    return from && excess >= LEAST_OFF && excess <= MOST_OFF && excess < thickness(from) / 2 ? [option(pack, from, excess)] : []
  })
  const pieces = (plan: MakeOption) => pieceCount(plan.rest)
  const chosen = new Map<string, MakeOption>()
  for (const plan of [...cut, ...lapped].sort((a, b) => a.amount - b.amount || pieces(a) - pieces(b) || (a.from.id < b.from.id ? -1 : 1))) {
    // One way a source piece is enough.
    if (!chosen.has(plan.from.id)) chosen.set(plan.from.id, plan)
  }
  return [...chosen.values()].slice(0, WANTED)

  function option(pack: Pack, from: Lot, excess: number): MakeOption {
    const rest = pack
      .map(piece => (piece.lotId === from.id ? { ...piece, count: piece.count - 1 } : piece))
      .filter(({ count }) => count > 0)
    const amount = nm(Math.round(excess))
    const target = nm(thickness(from) - amount)
    const made: Lot = { ...from, id: MADE, nominal: target, measured: target, sizes: [target], tolerance: null, apart: true }
    const lots = new Map([...index, [MADE, made]])
    const next = [...rest, { lotId: MADE, count: 1 }]
    const predicted = predict(question, fitted, next, lots, response)
    const restTotal = packTotal(rest, index)
    const whole = (value: number) => (Number.isFinite(value) ? nm(value) : null)
    return {
      from,
      amount,
      target,
      low: whole(Math.max(1, Math.ceil(does.low - restTotal))),
      high: whole(Math.floor(does.high - restTotal)),
      rest,
      predicted,
      inside:
        worstChance(
          surelyIn(question, predicted, [{ fitted, next, perPiece: response.perPiece }], lots),
          leavesOf(question.also ?? [], fitted, next, lots),
        )?.inside ?? null,
    }
  }
}
