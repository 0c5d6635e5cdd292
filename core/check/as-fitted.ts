import { thickness, type LotMap, type Pack } from '../pack/lot'
import type { Trial } from './document'

/**
 * The pieces of packs as they are now, by lot; those that stay in keep what they were when they went in.
 * @param before  what was kept of the fitting before
 * @param more  how it is known, where it is not known from the fitting itself
 */
export function asFitted(
  packs: readonly (Pack | null)[],
  lots: LotMap,
  before: Trial['pieces'],
  more: { readonly since?: true } = {},
): Trial['pieces'] {
  const ids = [...new Set(packs.flatMap(pack => (pack ?? []).map(({ lotId }) => lotId)))].sort()
  return Object.fromEntries(
    ids.flatMap(id => {
      const lot = lots.get(id)
      if (before[id] !== undefined) return [[id, before[id]]]
      return lot ? [[id, { size: thickness(lot), measured: lot.measured !== null, mark: lot.mark || lot.colour, ...more }]] : []
    }),
  )
}
