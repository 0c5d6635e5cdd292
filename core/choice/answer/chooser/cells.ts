import { ascending } from 'd3-array'
import { piecesPerPick } from '../../../pack/response'
import { NOTHING, taken, type Begun } from './begun'
import type { suffixBounds } from './bounds'
import { movedUp, troubleOf, type Effort } from './merit'
import type { PreparedDrawer } from './prepare'

/** So many picks of each size that is fitted now, and so many others: what its packs cost in trouble is known before one is looked at. */
export interface Cell {
  /** picks of the first lots of the drawer: those that are fitted */
  readonly kept: readonly number[]
  readonly begun: Begun
  /** picks of the others */
  readonly others: number
  /** no pack of it takes less */
  readonly effort: Effort
}

/** More ways than this to keep what is fitted are not listed; the lots behind are gone through like any other. */
const MOST_WAYS = 20_000

/** Every cell of a drawer, those that take least first. */
export function cellsOf(drawer: PreparedDrawer, suffix: ReturnType<typeof suffixBounds>): Cell[] {
  const order = drawer.rules.order ?? 'trouble'
  const per = piecesPerPick(drawer.response)
  const lots = drawer.lots.length
  const ends = keptLots(drawer)
  const cells: Cell[] = []
  keep([], 0, NOTHING)
  const rank = ({ effort }: Cell) => [movedUp(order, effort), troubleOf(effort), effort.pieces] as const
  return cells
    .map(cell => ({ cell, by: rank(cell) }))
    .sort((a, b) => ascending(a.by[0], b.by[0]) || ascending(a.by[1], b.by[1]) || ascending(a.by[2], b.by[2]))
    .map(({ cell }) => cell)

  function keep(kept: readonly number[], picks: number, so: Begun): void {
    const i = kept.length
    if (i < ends) {
      for (let x = Math.min(drawer.available[i]!, drawer.mostPicks - picks); x >= drawer.least[i]!; x--)
        if (x === 0 || !(so.one && drawer.single[i])) keep([...kept, x], picks + x, taken(drawer, so, i, x))
      return
    }
    for (let others = Math.max(0, drawer.fewestPicks - picks); others <= (i < lots ? drawer.mostPicks - picks : 0); others++)
      cells.push({
        kept,
        begun: so,
        others,
        effort: {
          pieces: (picks + others) * per,
          changes: so.changes + Math.abs(others * per - suffix.fitted[i]!),
          unmeasured: so.unmeasured,
          variance: so.variance + others * suffix.variance[i]!,
          cost: so.cost + others * suffix.cost[i]!,
        },
      })
  }
}

/** How many of the fitted lots, which come first, are gone through one by one. */
function keptLots({ fittedPieces, available }: PreparedDrawer): number {
  let ways = 1
  let i = 0
  while (i < fittedPieces.length && fittedPieces[i]! > 0 && ways * (available[i]! + 1) <= MOST_WAYS) ways *= available[i++]! + 1
  return i
}
