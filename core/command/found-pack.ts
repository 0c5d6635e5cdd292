import { asFitted } from '../check/as-fitted'
import { swaps } from '../check/evaluate/evaluate-place'
import { goesInto, packIn, piecesIn, type CheckDocument } from '../check/document'
import type { PackPlace } from '../check/pack-place'
import { mergedPack, lotMap, type Lot } from '../pack/lot'
import type { Bench, FoundPiece, ListCommand } from './command'
import { happened, refused, type Happening, type Outcome, type RefusedCommand } from './happening'
import { NO_PLACE, capacityFault, placeOf, shapeFault } from './pack'

/**
 * The pack as it was found, piece by piece, or none. Sizes the drawer does not know become lots of their own, tagged to the place.
 * What was put in or taken out since then stays: the pieces found are added to every fitting in which the place was not known.
 */
export function list({ document, lots }: Bench, { op, place: id, pieces }: ListCommand): Outcome {
  const place = placeOf(document, id)
  if (!place) return refused('invalid', NO_PLACE, 'place')
  if (place.holds === 'packing')
    return refused('conflict', `${place.label}: what is put in for a trial is a fitting: choose it there.`, 'place')
  const [first] = document.trials
  if (document.trials.length > 1 && packIn(document.trials.at(-1)!, id) !== null)
    return refused('conflict', 'The pack was changed since it was found; it cannot be listed again.')
  const fault = capacityFault(
    place,
    pieces.reduce((sum, { count }) => sum + count, 0),
    false,
  )
  if (fault) return refused('invalid', fault, 'pieces')
  const listed = pieces.reduce((sum, { count }) => sum + count, 0)
  if (swaps(place) && listed > 0 && listed < place.capacity.fewest)
    return refused(
      'invalid',
      `${place.label}: it holds ${place.capacity.fewest} or none; with ${listed} nothing stays where it is.`,
      'pieces',
    )
  const found: { lotId: string; count: number }[] = []
  const added: Happening[] = []
  for (const [i, piece] of pieces.entries()) {
    const lot = lotFor(piece, i, document, place, lots, `${document.id}:${op}:${i}`.slice(-64))
    if ('ok' in lot) return lot
    if ('lot' in lot) added.push({ type: 'lot-added', lot: lot.lot })
    found.push({ lotId: 'lot' in lot ? lot.lot.id : lot.id, count: piece.count })
  }
  const pack = mergedPack(found)
  const all = lotMap([...lots, ...added.flatMap(one => (one.type === 'lot-added' ? [{ ...one.lot, onHand: 0 }] : []))])
  if (
    place.chosen.by === 'catalogue' &&
    !place.chosen.window &&
    place.chosen.pair &&
    pack.length > 0 &&
    (pack.length > 1 || pack[0]!.count !== 2)
  )
    return refused('invalid', `${place.label}: both of a pair are alike: two of one size, or none.`, 'pieces')
  const count = pieces.reduce((sum, piece) => sum + piece.count, 0)
  const unknown = document.trials.filter(trial => trial === first || packIn(trial, id) === null)
  return happened(
    count === 0 ? 'Pack as found: nothing fitted' : `Pack as found: ${count} ${count === 1 ? 'piece' : 'pieces'} listed`,
    ...added,
    ...unknown.map((trial): Happening => {
      const listed = trial === first ? pack : mergedPack([...pack, ...piecesIn(trial, id)])
      return { type: 'listed', trial: trial.id, place: id, pack: listed, pieces: asFitted([listed], all, trial.pieces) }
    }),
  )
}

function lotFor(
  piece: FoundPiece,
  at: number,
  { family, title }: CheckDocument,
  place: PackPlace,
  lots: readonly Lot[],
  newId: string,
): { readonly id: string } | { readonly lot: Omit<Lot, 'onHand'> } | RefusedCommand {
  const named = lots.find(lot => lot.id === piece.lotId)
  if (named && !goesInto(place, named))
    return refused('invalid', shapeFault(place, [{ lotId: named.id, count: 1 }], lotMap([named]))!, `pieces.${at}.lotId`)
  if (piece.lotId !== undefined)
    return named ? { id: named.id } : refused('invalid', 'That size is not in the drawer.', `pieces.${at}.lotId`)
  if (piece.size === undefined) return refused('invalid', 'Give the piece its size.', `pieces.${at}.size`)
  const same = lots.find(
    lot =>
      lot.family === family &&
      goesInto(place, lot) &&
      !lot.apart &&
      (piece.shape === undefined || lot.shape === piece.shape) &&
      (piece.mark === undefined || lot.mark === piece.mark) &&
      (piece.colour === undefined || lot.colour === piece.colour) &&
      (piece.measured ? lot.measured === piece.size : lot.measured === null && lot.nominal === piece.size),
  )
  if (same) return { id: same.id }
  const { shape = 'flat', mark = '', colour = '' } = piece
  const lot = {
    ...newLot({ id: newId, family: family || UNSORTED, nominal: piece.size, tags: [`found in ${title}`] }, piece.measured),
    mark,
    colour,
  }
  const shaped = { ...lot, shape: place.holds ?? shape }
  return { lot: piece.measured && piece.count === 1 ? { ...shaped, apart: true } : shaped }
}

/** Where pieces are kept that were found in a check with no drawer of its own. */
const UNSORTED = 'Unsorted'

/** A size the drawer does not know yet, of which nothing more is known. */
export const newLot = (
  { id, family, nominal, tags }: Pick<Lot, 'id' | 'family' | 'nominal' | 'tags'>,
  measured = false,
): Omit<Lot, 'onHand'> => ({
  id,
  family,
  nominal,
  measured: measured ? nominal : null,
  ...(measured ? { sizes: [nominal] } : {}),
  tolerance: null,
  reserved: 0,
  mark: '',
  colour: '',
  tags: tags.map(tag => tag.slice(0, 120)),
  cost: null,
  leadDays: null,
  shape: 'flat',
})
