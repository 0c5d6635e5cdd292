import { NM_PER, nm, type LengthUnit, type Nm } from '../../quantity/length'
import type { Window } from './window'

/** No size is asked for finer than that. */
const MOST_DECIMALS = 4

/**
 * The roundest size in a window, as it would be asked for at a counter: of those with the fewest decimals the one nearest its middle.
 * @param unit  it is asked for in
 * @returns null where the window is empty, open on a side, or narrower than any size
 * @example roundSize({ low: thou(59.765), high: thou(60.75), lowExcluded: true, highExcluded: false }, 'thou') // thou(60)
 */
export function roundSize({ low, high, lowExcluded, highExcluded }: Window, unit: LengthUnit): Nm | null {
  if (!Number.isFinite(low) || !Number.isFinite(high)) return null
  const middle = (low + high) / 2
  for (let decimals = 0; decimals <= MOST_DECIMALS; decimals++) {
    const step = NM_PER[unit] / 10 ** decimals
    const size = Math.round(middle / step) * step
    if ((lowExcluded ? size > low : size >= low) && (highExcluded ? size < high : size <= high) && size > 0) return nm(Math.round(size))
  }
  return null
}
