import { lotOf, thickness, type LotMap, type Pack } from './lot'

/**
 * The pieces one by one in the order to stack them: a required or stepped piece first, where it belongs; then thick pieces
 * outside and thin ones between them, since a two-thou shim curls on its own. Common practice.
 * @returns lot ids, first to last
 */
export function stackingOrder(pack: Pack, lots: LotMap, first: string | null = null): string[] {
  const pieces = pack.flatMap(piece => Array.from({ length: piece.count }, () => piece.lotId))
  const leads = pieces.filter(id => id === first || lotOf(lots, id).shape === 'stepped')
  const rest = pieces
    .filter(id => !leads.includes(id))
    .sort((a, b) => thickness(lotOf(lots, b)) - thickness(lotOf(lots, a)) || (a < b ? -1 : 1))
  const head: string[] = []
  const tail: string[] = []
  rest.forEach((id, i) => (i % 2 === 0 ? head.push(id) : tail.unshift(id)))
  return [...leads, ...head, ...tail]
}
