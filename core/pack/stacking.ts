import { upperFirst } from '../quantity/first-letter'
import { lotOf, thickness, type Lot, type LotMap, type Pack } from './lot'

/** A piece with a side of its own stands last, against what is right of its pack. */
const hasItsSide = ({ shape }: Pick<Lot, 'shape'>): boolean => shape === 'stepped' || shape === 'sprung'

/**
 * The pieces one by one in the order to stack them: a required piece first; thick pieces outside and thin ones between them, since a
 * two-thou shim curls on its own; a stepped spacer or a sprung shim last, its step to the bearing, against the cap. Common practice.
 * @returns lot ids, first to last
 */
export function stackingOrder(pack: Pack, lots: LotMap, first: string | null = null): string[] {
  const pieces = pack.flatMap(piece => Array.from({ length: piece.count }, () => piece.lotId))
  const last = pieces.filter(id => hasItsSide(lotOf(lots, id)))
  const leads = pieces.filter(id => id === first && !last.includes(id))
  const rest = pieces
    .filter(id => !leads.includes(id) && !last.includes(id))
    .sort((a, b) => thickness(lotOf(lots, b)) - thickness(lotOf(lots, a)) || (a < b ? -1 : 1))
  const head: string[] = []
  const tail: string[] = []
  rest.forEach((id, i) => (i % 2 === 0 ? head.push(id) : tail.unshift(id)))
  return [...leads, ...head, ...tail, ...last]
}

/** Where pieces go, as far as their order asks for it. */
export interface Stacked {
  /** what stands left and right of the pack */
  readonly between: readonly [string, string]
  /** equal pieces, one each side */
  readonly pair: boolean
}

/** What has to be known of the order of a pack, as a sentence; empty where any order will do. `Thin ones inside; the sprung shim last, against the cap.` */
export function orderWords(pack: Pack, lots: LotMap, { between: [, right], pair }: Stacked): string {
  const order = stackingOrder(pack, lots).map(id => lotOf(lots, id))
  if (pair) return order.length === 2 ? 'One each side.' : ''
  const plain = order.filter(lot => !hasItsSide(lot)).map(thickness)
  const curls = plain.length >= 3 && Math.min(...plain) <= CURLS && Math.max(...plain) > CURLS
  const words = [
    ...(curls ? ['thin ones inside'] : []),
    ...(order.some(({ shape }) => shape === 'stepped') ? [`the stepped one last, its step to the ${right}`] : []),
    ...(order.some(({ shape }) => shape === 'sprung') ? [`the sprung one last, against the ${right}`] : []),
  ]
  return words.length === 0 ? '' : `${upperFirst(words.join('; '))}.`
}

/** A piece up to this thick curls on its own: 6 thou, 0.15 mm. Own figure. nm */
const CURLS = 152_400
