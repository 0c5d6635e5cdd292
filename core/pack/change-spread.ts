import { lotOf, lotUncertainty, pieceScatter, type Lot, type LotMap, type PackChange } from './lot'

/**
 * Standard uncertainty (nm) of the total thickness a change of pieces makes: piece to piece for each, and an unmeasured lot's
 * common error for as many of its pieces as changed. Pieces left in place do not appear.
 */
export function changeSpread(change: PackChange, lots: LotMap): number {
  const variance = [...change.out, ...change.in].reduce(
    (sum, { lotId, count }) => sum + pieceSpread(spreadOf(lotOf(lots, lotId)), count),
    0,
  )
  return Math.sqrt(variance)
}

/** What pieces of a lot may be off, standard uncertainties, nm: each by itself, and all of them together. */
export interface LotSpread {
  readonly each: number
  readonly together: number
}
export const spreadOf = (lot: Lot): LotSpread => ({ each: pieceScatter(lot), together: lotUncertainty(lot) })

/** Variance, nm², of `count` pieces of one lot that changed together. */
export const pieceSpread = ({ each, together }: LotSpread, count: number): number => Math.abs(count) * each ** 2 + (count * together) ** 2
