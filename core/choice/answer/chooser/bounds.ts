import { pieceSpread } from '../../../pack/change-spread'
import { ASSUMED } from '../../../pack/lot'
import { piecesPerPick } from '../../../pack/response'
import { changeVariance, type PreparedDrawer } from './prepare'

/** For each lot i, what the lots from i on can still cost at least, and what they add when nothing of them is taken. */
export function suffixBounds(drawer: PreparedDrawer) {
  const lots = drawer.lots.length
  const filled = (value: number) => new Array<number>(lots + 1).fill(value)
  const variance = filled(Infinity)
  const cost = filled(Infinity)
  const fitted = filled(0)
  const removal = filled(0)
  const spread = filled(Infinity)
  const measuredFitted = filled(0)
  const least = filled(0)
  const steadiest = filled(Infinity)
  for (let i = lots - 1; i >= 0; i--) {
    const free = drawer.available[i]! > 0
    variance[i] = Math.min(variance[i + 1]!, free ? drawer.variance[i]! : Infinity)
    cost[i] = Math.min(cost[i + 1]!, free ? drawer.cost[i]! : Infinity)
    fitted[i] = fitted[i + 1]! + drawer.fittedPieces[i]!
    spread[i] = Math.min(spread[i + 1]!, free ? pieceSpread(drawer.spread[i]!, 1) : Infinity)
    removal[i] = removal[i + 1]! + changeVariance(drawer, i, -drawer.fittedPieces[i]!)
    measuredFitted[i] = measuredFitted[i + 1]! + (drawer.measured[i] ? drawer.fittedPieces[i]! : 0)
    steadiest[i] = Math.min(steadiest[i + 1]!, drawer.fittedPieces[i]! > 0 ? drawer.spread[i]!.each ** 2 : Infinity)
    least[i] = least[i + 1]! + drawer.least[i]!
  }
  // With nothing left to pick, 0 × Infinity must not poison the bound.
  for (let i = 0; i <= lots; i++) {
    if (variance[i] === Infinity) variance[i] = 0
    if (cost[i] === Infinity) cost[i] = 0
    if (spread[i] === Infinity) spread[i] = 0
    if (steadiest[i] === Infinity) steadiest[i] = 0
  }
  return { variance, cost, fitted, removal, measuredFitted, least, spread, steadiest }
}

/** More variance than any change of this drawer adds to a prediction, nm²: all that is fitted out, and the least certain pieces in. */
export function mostSpread(drawer: PreparedDrawer): number {
  const per = piecesPerPick(drawer.response)
  const each = drawer.lots.map((_, i) =>
    drawer.available[i]! > 0 ? changeVariance(drawer, i, drawer.available[i]! * per) / drawer.available[i]! : 0,
  )
  const out = drawer.lots.reduce((sum, _, i) => sum + changeVariance(drawer, i, -drawer.fittedPieces[i]!), 0)
  const shared = Math.max(drawer.fittedCount, drawer.mostPicks * per) * ASSUMED.micrometer
  return out + drawer.mostPicks * Math.max(0, ...each) + shared ** 2
}
