import type { KitSize } from '#core/pack/read-kit'
import { formatLength } from '#core/quantity/format-length'

/** Every length with its unit, so that nothing is taken for something else on the way. */
const inMm = (length: number | undefined) => (length === undefined ? '' : `${formatLength(length, 'mm', { decimals: 6, trim: true })} mm`)

/**
 * The sizes of a kit as rows of a drawer's CSV.
 * @param name  of the kit: sent once more under it, what is there already is not put in again
 */
export const drawerRows = (family: string, sizes: readonly KitSize[], name = '') =>
  sizes.map(({ nominal, count, mark, colour, shape, inside, outside }, i) => ({
    id: name === '' ? '' : `${name}-${i}-${nominal}`,
    family,
    nominal: inMm(nominal),
    count,
    mark,
    colour,
    shape,
    inside: inMm(inside),
    outside: inMm(outside),
  }))
