import { refused, type Movement, type RefusedCommand } from '../command/happening'
import { pieceApart, withSizes } from '../pack/lot'
import { formatLength } from '../quantity/format-length'
import type { Nm } from '../quantity/length'
import { type Promised, type Shop, type StockLot } from './shop'
import { done, missing, TAKEN, type ShopHappening, type ShopOutcome, type Telling } from './outcome'
import type { AddLotCommand, ChangeLotCommand, JoinLikeCommand, MoveCommand, TellApartCommand } from './commands'

/** A size in the drawer, while it is on the list of sizes. */
export const lotIn = ({ lots }: Shop, id: string): StockLot | undefined => lots.find(lot => lot.id === id && !lot.removed)
export const isTaken = ({ lots }: Shop, id: string): boolean => lots.some(lot => lot.id === id)
export const NO_SIZE = 'size in the drawer'
/** A lot keeps the figures of the pieces measured last. */
const MOST_SIZES = 1000

export const promisedOf = ({ promises }: Pick<Shop, 'promises'>, lotId: string): number =>
  promises.reduce((sum, promise) => sum + (promise.lotId === lotId ? promise.count : 0), 0)

const fittedOf = ({ fitted }: Shop, lotId: string): number =>
  fitted.reduce((sum, piece) => sum + (piece.lotId === lotId ? piece.count : 0), 0)

export const moved = (movement: Movement): ShopHappening => ({ type: 'moved', movement })
export const lotChanged = (lot: StockLot): ShopHappening => ({ type: 'lot-changed', lot })
export const tellLot = ({ id, version }: StockLot, what: string): Telling => ({ subject: id, version: version + 1, what })
/** One piece of a size, as a lot of its own. */
export const lotApart = ({ version: _, removed: __, ...lot }: StockLot, id: string, size: Nm, mark: string): ShopHappening => ({
  type: 'lot-added',
  lot: { ...pieceApart(lot, id, size, mark), supplier: '', article: '' },
})
/** A figure measured joins those of a size. */
export const withOneMore = (lot: StockLot, size: Nm): StockLot => withSizes(lot, [...(lot.sizes ?? []), size].slice(-MOST_SIZES))

export function addLot(shop: Shop, { op, lot, count }: AddLotCommand): ShopOutcome {
  if (isTaken(shop, lot.id)) return refused('conflict', TAKEN, 'id')
  const fault = washerFault(lot)
  if (fault) return fault
  return done(
    [{ subject: lot.id, version: 1, what: 'Size added' }],
    { type: 'lot-added', lot },
    ...(count > 0 ? [moved({ id: `${op}:in`, lotId: lot.id, change: count, why: 'take-in', note: '' })] : []),
  )
}

export function move(shop: Shop, { op, lotId, why, change, note }: MoveCommand): ShopOutcome {
  const lot = lotIn(shop, lotId)
  if (!lot) return missing(NO_SIZE)
  const left = lot.onHand + change
  if (left < 0) return refused('invalid', `There are only ${lot.onHand}: the count cannot fall below none.`, 'change')
  if (why === 'take-in' && change <= 0) return refused('invalid', 'Taking in adds pieces. To lower the count, correct it.', 'change')
  // Taken in while it sits in a machine, it would be there twice.
  if (change > 0 && lot.apart && left + fittedOf(shop, lotId) > 1)
    return refused('invalid', 'This is one piece, told apart from its like. Take new ones in under their size.', 'change')
  const freed = promisesBeyond(shop, lotId, left)
  return done(
    [tellLot(lot, why === 'take-in' ? `${change} taken in` : `Count corrected by ${change}: ${note}`), ...freed.tells],
    moved({ id: `${op}:move`, lotId, change, why, note }),
    ...freed.happenings,
    lotChanged(lot),
  )
}

/** Promises that what is left of a size cannot keep, the newest first: whoever waits is told. */
export function promisesBeyond(
  shop: Pick<Shop, 'promises'>,
  lotId: string,
  left: number,
): { readonly tells: readonly Telling[]; readonly happenings: readonly ShopHappening[] } {
  let beyond = promisedOf(shop, lotId) - left
  const broken: { promise: Promised; pieces: number }[] = []
  for (const promise of shop.promises) {
    if (promise.lotId !== lotId || beyond <= 0) continue
    const pieces = Math.min(beyond, promise.count)
    beyond -= pieces
    broken.push({ promise, pieces })
  }
  const checks = [...new Set(broken.map(({ promise }) => promise.check))]
  return {
    tells: checks.map(check => ({ subject: check, version: 0, what: 'What was kept for it is not in the drawer any more' })),
    happenings: broken.map(({ promise: { count: _, ...promise }, pieces }) => ({ type: 'promised', promise, change: -pieces })),
  }
}

export function changeLot(shop: Shop, { lotId, change }: ChangeLotCommand): ShopOutcome {
  const lot = lotIn(shop, lotId)
  if (!lot) return missing(NO_SIZE)
  const { sizes, scatter, inside, outside, ...plain } = change
  if (lot.apart && sizes && sizes.length !== 1) return refused('invalid', 'This is one piece: it has one figure.', 'sizes')
  const next = withParticulars(
    { ...(sizes === undefined ? lot : withSizes(lot, sizes)), ...plain },
    {
      scatter: scatter === undefined ? lot.scatter : scatter,
      inside: inside === undefined ? lot.inside : inside,
      outside: outside === undefined ? lot.outside : outside,
    },
  )
  const fault = washerFault(next)
  if (fault) return fault
  return done([tellLot(lot, sizes === undefined ? 'Size changed' : measuredWords(sizes, lot.sizes ?? []))], lotChanged(next))
}

/** With these, or without those that are not known. */
function withParticulars(
  { scatter: _, inside: __, outside: ___, ...lot }: StockLot,
  known: { readonly [one in 'scatter' | 'inside' | 'outside']: Nm | null | undefined },
): StockLot {
  return {
    ...lot,
    ...(known.scatter == null ? {} : { scatter: known.scatter }),
    ...(known.inside == null ? {} : { inside: known.inside }),
    ...(known.outside == null ? {} : { outside: known.outside }),
  }
}

const washerFault = ({ inside, outside }: Pick<StockLot, 'inside' | 'outside'>): RefusedCommand | null =>
  inside !== undefined && outside !== undefined && inside >= outside
    ? refused('invalid', 'The hole is smaller than the rim: inside below outside.', 'inside')
    : null

const measuredWords = (sizes: readonly Nm[], before: readonly Nm[]): string =>
  sizes.length > before.length
    ? `A piece measured: ${formatLength(sizes.at(-1)!, 'thou', { unit: true })}`
    : sizes.length === 0
      ? 'Measured figures taken back'
      : `${sizes.length} ${sizes.length === 1 ? 'figure' : 'figures'} of its pieces kept`

export function tellApart(shop: Shop, { op, lotId, id, size, mark }: TellApartCommand): ShopOutcome {
  const lot = lotIn(shop, lotId)
  if (!lot) return missing(NO_SIZE)
  if (lot.apart) return refused('invalid', 'This is one piece already.', 'mark')
  if (lot.onHand - lot.reserved - promisedOf(shop, lotId) < 1) return refused('invalid', 'None of them is free in the drawer.', 'size')
  if (isTaken(shop, id)) return refused('conflict', TAKEN, 'id')
  return done(
    [tellLot(lot, `A piece told apart: ${formatLength(size, 'thou', { unit: true })}, ${mark}`)],
    lotApart(lot, id, size, mark),
    moved({ id: `${op}:from`, lotId, change: -1, why: 'sort', note: '' }),
    moved({ id: `${op}:to`, lotId: id, change: 1, why: 'sort', note: '' }),
    lotChanged(lot),
  )
}

/** Its figure joins those of its like. */
export function joinLike(shop: Shop, { op, lotId }: JoinLikeCommand): ShopOutcome {
  const piece = lotIn(shop, lotId)
  if (!piece) return missing(NO_SIZE)
  if (!piece.apart) return refused('invalid', 'These are not told apart.')
  if (piece.onHand < 1) return refused('invalid', 'It is not in the drawer.')
  if (promisedOf(shop, lotId) > 0) return refused('conflict', 'It is kept for a check.')
  const like = shop.lots.find(lot => !lot.apart && !lot.removed && lot.family === piece.family && lot.nominal === piece.nominal)
  if (!like) return refused('conflict', 'There are no others of its size in the drawer.')
  return done(
    [tellLot(piece, 'Put back among its like'), tellLot(like, 'A piece put back among them')],
    moved({ id: `${op}:from`, lotId, change: -1, why: 'sort', note: '' }),
    moved({ id: `${op}:to`, lotId: like.id, change: 1, why: 'sort', note: '' }),
    lotChanged(withOneMore(like, piece.measured!)),
    lotChanged(piece),
  )
}
