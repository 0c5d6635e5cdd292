import { pieceSpread, spreadOf, type LotSpread } from '../../../pack/change-spread'
import { lotMap, pieceVariance, thickness, type Lot, type Pack } from '../../../pack/lot'
import { piecesPerPick, type Response } from '../../../pack/response'
import { MOST_PIECES, ruleFault, type PackRules } from '../../question/rules'
import { buildReach, type Reach } from './reach'

/** The drawer as columns, ready for any number of questions. Lots that are fitted first, then in order of id; "pick" is a piece, or an equal pair. */
export interface PreparedDrawer {
  readonly lots: readonly Lot[]
  readonly response: Response
  readonly rules: PackRules
  readonly fitted: Pack
  /** nm per pick */
  readonly size: readonly number[]
  /** picks */
  readonly least: readonly number[]
  readonly available: readonly number[]
  /** pieces now fitted */
  readonly fittedPieces: readonly number[]
  readonly fittedTotal: number
  readonly fittedCount: number
  /** per pick */
  readonly variance: readonly number[]
  readonly cost: readonly number[]
  readonly spread: readonly LotSpread[]
  readonly measured: readonly boolean[]
  /** of the shape of which there must be just one */
  readonly single: readonly boolean[]
  readonly fewestPicks: number
  readonly mostPicks: number
  readonly reach: Reach
  /** Are the pieces of this pack there, and does it keep the rules? */
  allows(pack: Pack): boolean
}

/**
 * Reads the drawer for one place: what is on hand less what is reserved, plus what is fitted now and would come free.
 * The expensive part of choosing, done once per drawer, fitted pack and rules.
 */
export function prepareDrawer(drawer: readonly Lot[], fitted: Pack, response: Response, rules: PackRules = {}): PreparedDrawer {
  const inside = new Map<string, number>()
  for (const piece of fitted) inside.set(piece.lotId, (inside.get(piece.lotId) ?? 0) + piece.count)
  const per = piecesPerPick(response)
  const fittedOf = (lot: Lot) => inside.get(lot.id) ?? 0
  const piecesFree = (lot: Lot) => {
    if (rules.onlyRemove || (rules.noUnmeasured && lot.measured === null)) return fittedOf(lot)
    return Math.max(0, lot.onHand - lot.reserved) + fittedOf(lot)
  }
  const lots = drawer
    .filter(lot => piecesFree(lot) >= per || fittedOf(lot) > 0 || lot.id === rules.required)
    .sort((a, b) => Number(fittedOf(b) > 0) - Number(fittedOf(a) > 0) || (a.id < b.id ? -1 : 1))
  const mostPicks = Math.floor((rules.most ?? MOST_PIECES) / per)
  const size = lots.map(lot => thickness(lot) * per)
  const single = lots.map(lot => rules.one !== undefined && lot.shape === rules.one)
  const available = lots.map((lot, i) => Math.min(single[i] ? 1 : mostPicks, Math.floor(piecesFree(lot) / per)))
  const fittedPieces = lots.map(fittedOf)
  const fewestPicks = Math.ceil((rules.fewest ?? 0) / per)
  const index = lotMap(drawer)
  return {
    lots,
    response,
    rules,
    fitted,
    size,
    available,
    fittedPieces,
    least: lots.map(lot => (lot.id === rules.required ? 1 : 0)),
    fittedTotal: lots.reduce((sum, lot, i) => sum + fittedPieces[i]! * thickness(lot), 0),
    fittedCount: fittedPieces.reduce((a, b) => a + b, 0),
    variance: lots.map(lot => pieceVariance(lot) * per),
    cost: lots.map(lot => (lot.cost ?? 0) * per),
    spread: lots.map(spreadOf),
    measured: lots.map(lot => lot.measured !== null),
    single,
    fewestPicks,
    mostPicks,
    reach: buildReach(size, available, mostPicks),
    allows(pack) {
      const picks = pack.map(({ lotId, count }) => ({ at: lots.findIndex(lot => lot.id === lotId), picks: count / per }))
      return (
        picks.every(pick => pick.at >= 0 && Number.isInteger(pick.picks) && pick.picks <= available[pick.at]!) &&
        ruleFault(rules, pack, fitted, index) === null
      )
    },
  }
}

/** Variance a change of `delta` pieces of lot i adds to a prediction, without what all measured pieces share. nm² */
export const changeVariance = (drawer: PreparedDrawer, i: number, delta: number): number => pieceSpread(drawer.spread[i]!, delta)
