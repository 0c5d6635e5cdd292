import { stated, type Estimate } from '../../reading/estimate'
import { changeSpread } from '../../pack/change-spread'
import { packTotal, type LotMap, type Pack } from '../../pack/lot'

/** What a pack measures in all, as well as its pieces are known; null where it is not. */
export function fittedTotal(pack: Pack | null, lots: LotMap): Estimate | null {
  if (pack === null || pack.some(({ lotId }) => !lots.has(lotId))) return null
  const u = changeSpread({ out: [], in: pack }, lots)
  return stated(packTotal(pack, lots), u === 0 ? [] : [{ source: 'pieces', words: 'Pieces that are in', u, nu: Infinity, shared: false }])
}

/** Every piece of a pack by itself, the thinnest first. */
export const eachOf = (pack: Pack | null, lots: LotMap): readonly Estimate[] | null => {
  const pieces = pack?.flatMap(({ lotId, count }) => Array.from({ length: count }, () => fittedTotal([{ lotId, count: 1 }], lots)))
  return !pieces || pieces.includes(null) ? null : (pieces as Estimate[]).sort((a, b) => a.value - b.value)
}
