import { NM_PER, nm, thou, type Nm } from '../../quantity/length'
import { chanceInLimits } from '../../verdict/chance'
import { endsOf, insideRange } from '../../verdict/limits'
import { fineWidth } from './chooser/merit'
import type { PackQuestion } from './chooser/proposal'
import { prepareDrawer, type PackRules } from './chooser/prepare'
import { searchPacks } from './chooser/search'
import { lotMap, packTotal, thickness, type Lot, type Pack } from '../../pack/lot'
import { predict, totalFor, type Prediction } from './predict'
import type { Response } from '../../pack/response'

/** The place a piece is made for, as the chooser is asked about it; sheets are lots of the shape `sheet`. */
export interface MakeRequest {
  readonly drawer: readonly Lot[]
  readonly sheets: readonly Lot[]
  readonly fitted: Pack
  readonly response: Response
  readonly rules: PackRules
  readonly question: PackQuestion
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
 * How the place could be brought to its aim with a piece made for it: cut from sheet where that lands in limits, else the packs a
 * little too thick, with the excess lapped off their thickest flat piece. Least to take off first, fewer other pieces next.
 * Equal pairs are not offered: both would have to be made alike.
 */
export function makePlan({ drawer, sheets, fitted, response, rules, question, lappable }: MakeRequest): MakeOption[] {
  // While only the way is known, nobody can say how thick a piece should be.
  if (!lappable || response.pair || question.bound || question.told?.by === 'direction') return []
  const raw = sheets.map(lot => ({ ...lot, shape: 'flat' as const, onHand: FROM_SHEET, reserved: 0 }))
  const isSheet = new Set(raw.map(lot => lot.id))
  const all = [...drawer.filter(lot => !isSheet.has(lot.id)), ...raw]
  const index = lotMap(all)
  const prepared = prepareDrawer(all, fitted, response, rules)
  const ends = endsOf(question.limits)
  const width = fineWidth(question.unit)
  const search = (allowed: { low: number; high: number }) =>
    searchPacks(prepared, {
      from: question.from,
      uRefit: question.uRefit,
      aim: question.aim,
      width,
      limits: null,
      allowed,
      wanted: TRIED,
    }).found.map(({ picks }): Pack => picks.flatMap((x, at) => (x > 0 ? [{ lotId: prepared.lots[at]!.id, count: x }] : [])))

  const cut = ends
    ? search(insideRange(question.limits)).flatMap(pack => {
        const sheet = pack.find(piece => isSheet.has(piece.lotId))
        return sheet ? [option(pack, index.get(sheet.lotId)!, 0)] : []
      })
    : []
  // Too thick: below the aim where pieces fill a gap, above it where they set one.
  const side =
    response.perPiece < 0
      ? { low: question.aim - MOST_OFF, high: question.aim - LEAST_OFF }
      : { low: question.aim + LEAST_OFF, high: question.aim + MOST_OFF }
  // The fitted pack is no answer of the search, but a piece of it may be all that is too thick.
  const lapped = [...(fitted.length > 0 ? [fitted] : []), ...search(side)].flatMap(pack => {
    const excess = packTotal(pack, index) - totalFor(question.aim, Math.round(question.from.play), packTotal(fitted, index), response)
    const from = pack
      .map(piece => index.get(piece.lotId)!)
      .filter(lot => lot.shape === 'flat' && lot.id !== rules.required)
      .sort((a, b) => Number(isSheet.has(b.id)) - Number(isSheet.has(a.id)) || thickness(b) - thickness(a))[0]
    return from && excess >= LEAST_OFF && excess <= MOST_OFF && excess < thickness(from) / 2 ? [option(pack, from, excess)] : []
  })
  const pieces = (plan: MakeOption) => plan.rest.reduce((sum, { count }) => sum + count, 0)
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
    const predicted = predict(question, fitted, [...rest, { lotId: MADE, count: 1 }], new Map([...index, [MADE, made]]), response)
    const does = ends
      ? [ends.lower, ends.upper].map(end => target + (end - predicted.play) / response.perPiece).sort((a, b) => a - b)
      : [-Infinity, Infinity]
    const whole = (value: number, round: (x: number) => number) => (Number.isFinite(value) ? nm(round(value)) : null)
    return {
      from,
      amount,
      target,
      low: whole(Math.max(1, does[0]!), Math.ceil),
      high: whole(does[1]!, Math.floor),
      rest,
      predicted,
      inside: chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits)?.inside ?? null,
    }
  }
}
