import type { KitSize } from '#core/pack/read-kit'
import { formatLength } from '#core/quantity/format-length'

/** Every length with its unit, so that nothing is taken for something else on the way. */
const inMm = (length: number | undefined) => (length === undefined ? '' : `${formatLength(length, 'mm', { decimals: 6, trim: true })} mm`)

/** The sizes of a kit as rows of a drawer's CSV. */
export const drawerRows = (family: string, sizes: readonly KitSize[]) =>
  sizes.map(({ nominal, count, mark, colour, shape, inside, outside }) => ({
    family,
    nominal: inMm(nominal),
    count,
    mark,
    colour,
    shape,
    inside: inMm(inside),
    outside: inMm(outside),
  }))
