import { refused } from '../command/happening'
import { measuredText, withSizes } from '../pack/lot'
import { nextToArrive, outstanding } from '../pack/order-list'
import { markedText } from '../quantity/format-length'
import { type Purchase, type Shop, type ShopLine } from './shop'
import { done, missing, TAKEN, type ShopHappening, type ShopOutcome, type Telling } from './outcome'
import type {
  AddLineCommand,
  CancelCommand,
  ChangeOrderCommand,
  DropLineCommand,
  OrderCommand,
  PutBackCommand,
  ReceiveCommand,
  TakeBackCommand,
} from './commands'
import { isTaken, lotApart, lotChanged, lotIn, moved, NO_SIZE, promisesBeyond, tellLot, withOneMore } from './stock'

const NO_ORDER = 'order'
const TOO_SOON = 'It cannot be here before it is ordered.'
const purchaseIn = ({ purchases }: Shop, id: string): Purchase | undefined => purchases.find(purchase => purchase.id === id)
const linesOf = ({ lines }: Shop, purchase: string): ShopLine[] => lines.filter(line => line.purchase === purchase)
/** Each check that waits for what these lines are about. */
const waiting = (lines: readonly ShopLine[], what: string): Telling[] =>
  [...new Set(lines.flatMap(({ check }) => check?.id ?? []))].map(subject => ({ subject, version: 0, what }))
/** @param changed  it is another order after it */
const tellOrder = ({ id, version }: Purchase, lines: readonly ShopLine[], what: string, changed = true): Telling[] => [
  { subject: id, version: changed ? version + 1 : version, what },
  ...waiting(lines, what),
]
const promised = ({ check }: ShopLine, lotId: string, change: number): ShopHappening[] =>
  check ? [{ type: 'promised', promise: { check: check.id, place: check.place, lotId }, change }] : []

export function addLine(shop: Shop, { id, lotId, pieces }: AddLineCommand): ShopOutcome {
  const lot = lotIn(shop, lotId)
  if (!lot) return missing(NO_SIZE)
  if (lot.apart) return refused('invalid', 'This is one piece, told apart from its like: order its size.', 'lotId')
  if (shop.lines.some(line => line.id === id)) return refused('conflict', TAKEN, 'id')
  return done([{ subject: lotId, version: lot.version, what: `${pieces} on the order list` }], {
    type: 'line-added',
    line: { id, lotId, pieces, arrived: 0, purchase: null, cancelled: null, check: null },
  })
}

export function dropLine({ lines }: Shop, { lineId }: DropLineCommand): ShopOutcome {
  const line = lines.find(({ id }) => id === lineId)
  if (!line) return missing('line of the order list')
  if (line.purchase !== null)
    return refused('conflict', 'It is ordered already: put the order back on the list first, or say that it will not come.')
  return done([{ subject: line.check?.id ?? line.lotId, version: 0, what: 'Taken off the order list' }], { type: 'line-dropped', lineId })
}

export function order(shop: Shop, { id, supplier, reference, orderedOn, due, lines }: OrderCommand): ShopOutcome {
  if (purchaseIn(shop, id)) return refused('conflict', TAKEN, 'id')
  if (due !== null && due < orderedOn) return refused('invalid', TOO_SOON, 'due')
  const ordered: ShopLine[] = []
  for (const lineId of lines) {
    const line = shop.lines.find(candidate => candidate.id === lineId)
    if (!line || line.dropped) return refused('conflict', 'A line was taken off the list in the meantime: look again.', 'lines')
    if (line.purchase !== null) return refused('conflict', 'A line was ordered in the meantime: look again.', 'lines')
    ordered.push(line)
  }
  const purchase: Purchase = { id, supplier, reference, orderedOn, due, version: 1 }
  const named = ordered.map(({ lotId }) => lotId).filter(lotId => lotIn(shop, lotId)?.supplier === '')
  const what = `Ordered from ${supplier}${reference === '' ? '' : `, ${reference}`}`
  return done([{ subject: id, version: 1, what }, ...waiting(ordered, what)], {
    type: 'ordered',
    purchase,
    lines,
    named: [...new Set(named)],
  })
}

export function changeOrder(shop: Shop, { purchase: id, change }: ChangeOrderCommand): ShopOutcome {
  const purchase = purchaseIn(shop, id)
  if (!purchase) return missing(NO_ORDER)
  const next = { ...purchase, ...change }
  if (next.due !== null && next.due < next.orderedOn) return refused('invalid', TOO_SOON, 'due')
  const waits = next.due === purchase.due ? [] : linesOf(shop, id)
  return done(tellOrder(purchase, waits, `Order from ${purchase.supplier}: due ${next.due ?? 'on no known day'}`), {
    type: 'order-changed',
    purchase: next,
  })
}

export function putBack(shop: Shop, { purchase: id }: PutBackCommand): ShopOutcome {
  const purchase = purchaseIn(shop, id)
  if (!purchase) return missing(NO_ORDER)
  const lines = linesOf(shop, id)
  if (lines.some(({ arrived, cancelled }) => arrived > 0 || cancelled !== null))
    return refused('conflict', 'Some of it came, or will not come: it was ordered.')
  return done(tellOrder(purchase, lines, `Not ordered from ${purchase.supplier} after all: on the list again`), {
    type: 'put-back',
    purchase: id,
  })
}

/** It goes into the drawer with what the micrometer says of it, or to a place of its own, and is kept for the check that waited. */
export function receive(shop: Shop, { op, purchase: at, id, lotId, size, mark }: ReceiveCommand): ShopOutcome {
  const purchase = purchaseIn(shop, at)
  if (!purchase) return missing(NO_ORDER)
  const lines = linesOf(shop, at).filter(line => line.lotId === lotId)
  if (lines.length === 0) return refused('invalid', 'This size is not in that order.', 'lotId')
  const line = nextToArrive(lines)
  if (!line) return refused('conflict', 'All of these are here already. What came besides is taken in under Stock.')
  const lot = lotIn(shop, lotId)
  if (!lot) return missing(NO_SIZE)
  if (mark !== null && size === null) return refused('invalid', 'A piece with a place of its own is measured.', 'size')
  if (shop.receipts.some(receipt => receipt.id === id) || (mark !== null && isTaken(shop, id))) return refused('conflict', TAKEN, 'id')
  const into = mark === null ? lotId : id
  const what = `Came from ${purchase.supplier}: ${markedText(lot.nominal)}, ${size === null ? 'not measured' : `measured ${measuredText(size, lot)}`}`
  return done(
    [...tellOrder(purchase, [line], what, false), tellLot(lot, what)],
    ...(mark === null ? [] : [lotApart(lot, id, size!, mark)]),
    moved({ id: `${op}:in`, lotId: into, change: 1, why: 'take-in', note: `ordered from ${purchase.supplier}` }),
    lotChanged(mark !== null || size === null ? lot : withOneMore(lot, size)),
    { type: 'received', receipt: { id, lineId: line.id, lotId: into, size } },
    ...(line.check?.signed ? [] : promised(line, into, 1)),
  )
}

export function takeBack(shop: Shop, { op, purchase: at, lotId }: TakeBackCommand): ShopOutcome {
  const purchase = purchaseIn(shop, at)
  if (!purchase) return missing(NO_ORDER)
  const lines = linesOf(shop, at).filter(line => line.lotId === lotId)
  const last = shop.receipts.findLast(receipt => lines.some(({ id }) => id === receipt.lineId))
  if (!last) return refused('conflict', 'None of these came.')
  const lot = lotIn(shop, last.lotId)
  if (!lot || lot.onHand < 1) return refused('conflict', 'That piece is not in the drawer any more.')
  const line = lines.find(({ id }) => id === last.lineId)!
  const own = shop.promises.find(one => one.check === line.check?.id && one.place === line.check.place && one.lotId === lot.id)
  const given = own ? promised(line, lot.id, -1) : []
  // Promised to somebody else by now, it cannot be kept for them either.
  const promises = shop.promises.map(one => (one === own ? { ...one, count: one.count - 1 } : one))
  const freed = promisesBeyond({ promises }, lot.id, lot.onHand - 1)
  const place = (lot.sizes ?? []).lastIndexOf(last.size!)
  const what = `Taken back, not come from ${purchase.supplier}: ${markedText(lot.nominal)}`
  return done(
    [...tellOrder(purchase, [line], what, false), tellLot(lot, what), ...freed.tells.filter(({ subject }) => subject !== line.check?.id)],
    ...given,
    ...freed.happenings,
    moved({ id: `${op}:back`, lotId: lot.id, change: -1, why: 'count', note: `taken back: not come from ${purchase.supplier}` }),
    lotChanged(lot.apart || place < 0 ? lot : withSizes(lot, lot.sizes!.toSpliced(place, 1))),
    { type: 'taken-back', receipt: last.id },
  )
}

/** The checks that wait for it say so. */
export function cancel(shop: Shop, { purchase: at, lotId, reason }: CancelCommand): ShopOutcome {
  const purchase = purchaseIn(shop, at)
  if (!purchase) return missing(NO_ORDER)
  const lines = linesOf(shop, at).filter(line => line.lotId === lotId)
  if (lines.length === 0) return refused('invalid', 'This size is not in that order.', 'lotId')
  const open = lines.filter(line => outstanding(line) > 0)
  if (open.length === 0) return refused('conflict', 'Nothing of this size is outstanding.')
  const { nominal } = shop.lots.find(({ id }) => id === lotId)!
  return done(tellOrder(purchase, open, `Does not come from ${purchase.supplier}: ${markedText(nominal)}. ${reason}`, false), {
    type: 'cancelled',
    lines: open.map(({ id }) => id),
    reason,
  })
}
