import { mergedPack, lotMap } from '../pack/lot'
import { markedText } from '../quantity/format-length'
import type { Bench, WantCommand } from './command'
import { happened, refused, type Outcome } from './happening'
import { NO_PLACE, placeOf } from './pack'

/** What a place needs and the drawer does not have goes on the order list; none: it is taken off again. What is ordered already stays. */
export function want({ document, lots }: Bench, { place, pieces }: WantCommand): Outcome {
  if (!placeOf(document, place)) return refused('invalid', NO_PLACE, 'place')
  const pack = mergedPack(pieces)
  const all = lotMap(lots)
  for (const [i, { lotId }] of pack.entries()) {
    const lot = all.get(lotId)
    if (!lot) return refused('missing', 'There is no such size in the drawer.')
    if (lot.apart) return refused('invalid', 'This is one piece, told apart from its like: order its size.', `pieces.${i}.lotId`)
  }
  const words = pack.map(({ lotId, count }) => `${count} × ${markedText(all.get(lotId)!.nominal)}`)
  return happened(pack.length === 0 ? 'Taken off the order list' : `On the order list: ${words.join(', ')}`, {
    type: 'wanted',
    place,
    pack,
  })
}
