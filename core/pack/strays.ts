import { rollup } from 'd3-array'
import { nm, type Nm } from '../quantity/length'
import { ASSUMED, thickness, type Lot } from './lot'

/** So many sizes of a family must be both marked and measured before they tell of the others. */
const ENOUGH = 10

/**
 * How far the sizes of a family are off their marks, as those tell that were measured: root mean square, standard uncertainty, nm; null
 * while there are fewer than ten. A size counts once, however many of its pieces were measured: what its pieces share is asked for.
 */
export function strayOf(family: readonly Lot[]): Nm | null {
  const off = family.flatMap(lot => (lot.measured === null ? [] : [lot.measured - thickness({ ...lot, measured: null })]))
  if (off.length < ENOUGH) return null
  return nm(Math.round(Math.max(ASSUMED.individual, Math.sqrt(off.reduce((sum, by) => sum + by ** 2, 0) / off.length))))
}

/** The drawer, with what the measured sizes of a family tell of those that nobody measured and no maker vouches for. */
export function withStrays(lots: readonly Lot[]): readonly Lot[] {
  const strays = rollup(lots, strayOf, ({ family }) => family)
  return lots.map(lot => {
    const stray = strays.get(lot.family) ?? null
    return stray === null || lot.measured !== null || lot.tolerance ? lot : { ...lot, stray }
  })
}
