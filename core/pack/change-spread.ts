import { ASSUMED, lotOf, lotUncertainty, type LotMap, type PackChange } from './lot'

/**
 * Standard uncertainty (nm) of the total thickness a change of pieces makes: piece to piece for each, and an unmeasured lot's
 * common error for as many of its pieces as changed. Pieces left in place do not appear.
 */
export function changeSpread(change: PackChange, lots: LotMap): number {
  const variance = [...change.out, ...change.in].reduce(
    (sum, { lotId, count }) => sum + pieceSpread(lotUncertainty(lotOf(lots, lotId)), count),
    0,
  )
  return Math.sqrt(variance)
}

/** Variance, nm², of `count` pieces of one lot that changed together. */
export const pieceSpread = (lotU: number, count: number): number => Math.abs(count) * ASSUMED.individual ** 2 + (count * lotU) ** 2
