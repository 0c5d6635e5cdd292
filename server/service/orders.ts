import { checkKind } from '#core/check/registry'
import { measuredText, pieceApart, withSizes } from '#core/pack/lot'
import { bySize, nextToArrive, outstanding } from '#core/pack/order-list'
import { markedText } from '#core/quantity/format-length'
import type { CancellationDto, NewLineDto, NewPurchaseDto, PurchaseChangeDto, ReceiptBackDto, ReceiptDto } from '#shared/dto/order'
import type { CommandDto, OperationDto } from '#shared/dto/command'
import type { OrdersView, Purchase, WantedLine } from '#shared/orders'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import * as orders from '../database/orders'
import { addToPromise, takeFromPromise } from '../database/reserves'
import { insertLot, insertMovement, lotById, stockLots, updateLot } from '../database/stock'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'
import { isRepeat } from './once'

/** Orders that are here are shown for a while. */
const NEWEST = 20
const MOST_UNSERVED = 100

function wantedLine(row: orders.ListedRow): WantedLine {
  const places = row.kind === null ? [] : checkKind(row.kind).places(row.setup!)
  return {
    ...orders.orderLineOf(row),
    since: new Date(row.created_at).toISOString(),
    who: row.who,
    check:
      row.check_id === null
        ? null
        : {
            id: row.check_id,
            title: row.title!,
            unit: row.unit_name!,
            place: places.length > 1 ? (places.find(({ id }) => id === row.place)?.label ?? '') : '',
            signed: row.signed!,
          },
  }
}

/** The order list; with an order that is asked for, however long it is here. */
export async function ordersView(sql: Sql, asked: string | null = null): Promise<OrdersView> {
  const lines = (await orders.listedLines(sql, NEWEST, asked)).map(wantedLine)
  const purchases = [...new Set(lines.flatMap(({ purchase }) => purchase ?? []))]
  return {
    lines,
    purchases: await orders.purchasesNamed(sql, purchases),
    lots: await stockLots(sql, [...new Set(lines.map(({ lotId }) => lotId))]),
    unserved: await orders.unserved(sql, MOST_UNSERVED),
  }
}

/** One write to the order list, once per `op`; what was written to an order is answered with that order. */
const write = (
  db: Database,
  dto: Pick<OperationDto, 'op' | 'content'>,
  purchase: string | null,
  work: (sql: Sql) => Promise<void>,
): Promise<OrdersView> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) await work(sql)
    return ordersView(sql, purchase)
  })

/** The same operation as it is remembered of something else it was done to. */
const besides = ({ op, who }: Pick<OperationDto, 'op' | 'who'>, what: string): Pick<OperationDto, 'op' | 'who'> => ({
  op: `${op}:${what}`,
  ...(who === undefined ? {} : { who }),
})

/** Tells it to the order, and to each check that waits for what it is about. */
async function tell(
  sql: Sql,
  dto: Pick<OperationDto, 'op' | 'content' | 'who'>,
  { purchase, version, checks, what }: { purchase: string; version: number; checks: readonly (string | null)[]; what: string },
): Promise<void> {
  await insertEvent(sql, dto, { subject: purchase, version, what })
  for (const check of new Set(checks)) if (check !== null) await insertEvent(sql, besides(dto, check), { subject: check, version: 0, what })
}

export const addLine = (db: Database, dto: NewLineDto): Promise<OrdersView> =>
  write(db, dto, null, async sql => {
    const lot = await lotById(sql, dto.lotId)
    if (!lot) throw notFound('size in the drawer')
    if (lot.apart) throw refuse(422, 'This is one piece, told apart from its like: order its size.', 'lotId')
    if (await orders.lineById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
    await orders.insertLine(sql, { id: dto.id, lotId: dto.lotId, pieces: dto.pieces, who: dto.who ?? '' })
    await insertEvent(sql, dto, { subject: dto.lotId, version: lot.version, what: `${dto.pieces} on the order list` })
  })

export const dropLine = (db: Database, id: string, dto: OperationDto): Promise<OrdersView> =>
  write(db, dto, null, async sql => {
    const line = await orders.lineById(sql, id)
    if (!line) throw notFound('line of the order list')
    if (line.purchase_id !== null)
      throw refuse(409, 'It is ordered already: put the order back on the list first, or say that it will not come.')
    await orders.dropLine(sql, id)
    await insertEvent(sql, dto, { subject: line.check_id ?? line.lot_id, version: 0, what: 'Taken off the order list' })
  })

export const order = (db: Database, dto: NewPurchaseDto): Promise<OrdersView> =>
  write(db, dto, null, async sql => {
    if (await orders.purchaseById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
    if (dto.due !== undefined && dto.due < dto.orderedOn) throw refuse(422, 'It cannot be here before it is ordered.', 'due')
    const lines = []
    for (const id of dto.lines) {
      const line = await orders.lineById(sql, id)
      if (!line || line.dropped) throw refuse(409, 'A line was taken off the list in the meantime: look again.', 'lines')
      if (line.purchase_id !== null) throw refuse(409, 'A line was ordered in the meantime: look again.', 'lines')
      lines.push(line)
    }
    const supplier = dto.supplier.trim()
    const reference = dto.reference?.trim() ?? ''
    await orders.insertPurchase(sql, { id: dto.id, supplier, reference, orderedOn: dto.orderedOn, due: dto.due ?? null })
    await orders.putInPurchase(sql, dto.id, dto.lines)
    await orders.nameSupplier(
      sql,
      lines.map(({ lot_id }) => lot_id),
      supplier,
    )
    const checks = lines.map(({ check_id }) => check_id)
    await tell(sql, dto, {
      purchase: dto.id,
      version: 1,
      checks,
      what: `Ordered from ${supplier}${reference === '' ? '' : `, ${reference}`}`,
    })
  })

async function purchaseFor(sql: Sql, id: string): Promise<Purchase> {
  const purchase = await orders.purchaseById(sql, id)
  if (!purchase) throw notFound('order')
  return purchase
}

export const changePurchase = (db: Database, id: string, dto: PurchaseChangeDto): Promise<OrdersView> =>
  write(db, dto, id, async sql => {
    const purchase = await purchaseFor(sql, id)
    await assertFresh(sql, id, dto.version, purchase.version)
    const due = dto.due === undefined ? purchase.due : dto.due
    if (due !== null && due < purchase.orderedOn) throw refuse(422, 'It cannot be here before it is ordered.', 'due')
    const reference = dto.reference?.trim() ?? purchase.reference
    await orders.updatePurchase(sql, { ...purchase, reference, due })
    const checks = due === purchase.due ? [] : (await orders.linesOfPurchase(sql, id)).map(({ check_id }) => check_id)
    await tell(sql, dto, {
      purchase: id,
      version: purchase.version + 1,
      checks,
      what: `Order from ${purchase.supplier}: due ${due ?? 'on no known day'}`,
    })
  })

/** It was not ordered after all. */
export const putBack = (db: Database, id: string, dto: CommandDto): Promise<OrdersView> =>
  write(db, dto, id, async sql => {
    const purchase = await purchaseFor(sql, id)
    await assertFresh(sql, id, dto.version, purchase.version)
    const lines = await orders.linesOfPurchase(sql, id)
    if (lines.some(({ sizes, cancelled }) => sizes.length > 0 || cancelled !== null))
      throw refuse(409, 'Some of it came, or will not come: it was ordered.')
    await orders.unmakePurchase(sql, id)
    const checks = lines.map(({ check_id }) => check_id)
    await tell(sql, dto, {
      purchase: id,
      version: purchase.version + 1,
      checks,
      what: `Not ordered from ${purchase.supplier} after all: on the list again`,
    })
  })

/** The lines of a size in an order. @throws Refused where it holds none */
async function linesOf(sql: Sql, purchase: string, lotId: string): Promise<WantedLine[]> {
  const lines = (await orders.listedOfPurchase(sql, purchase)).map(wantedLine).filter(line => line.lotId === lotId)
  if (lines.length === 0) throw refuse(422, 'This size is not in that order.', 'lotId')
  return lines
}

/**
 * A piece that was ordered came: it goes into the drawer with what the micrometer says of it, or to a place of its own, and is kept
 * for the check that waited for it.
 */
export const receive = (db: Database, id: string, dto: ReceiptDto): Promise<OrdersView> =>
  write(db, dto, id, async sql => {
    const { supplier, version } = await purchaseFor(sql, id)
    const line = nextToArrive(await linesOf(sql, id, dto.lotId))
    if (!line) throw refuse(409, 'All of these are here already. What came besides is taken in under Stock.')
    const lot = await lotById(sql, dto.lotId)
    if (!lot) throw notFound('size in the drawer')
    const mark = dto.mark?.trim()
    if (mark !== undefined && dto.size === undefined) throw refuse(422, 'A piece with a place of its own is measured.', 'size')
    const into = mark === undefined ? lot.id : dto.id
    if (mark !== undefined && !(await insertLot(sql, pieceApart(lot, dto.id, dto.size!, mark))))
      throw refuse(409, 'That id is taken.', 'id')
    await insertMovement(sql, { id: `${dto.op}:in`, lotId: into, change: 1, why: 'take-in', note: `ordered from ${supplier}` })
    if (into === lot.id) await updateLot(sql, dto.size === undefined ? lot : withSizes(lot, [...(lot.sizes ?? []), dto.size].slice(-1000)))
    await orders.insertReceipt(sql, { id: dto.id, lineId: line.id, lotId: into, size: dto.size ?? null })
    if (line.check && !line.check.signed) await addToPromise(sql, line.check.id, (await orders.lineById(sql, line.id))!.place!, into)
    const measured = dto.size === undefined ? 'not measured' : `measured ${measuredText(dto.size, lot)}`
    const what = `Came from ${supplier}: ${markedText(lot.nominal)}, ${measured}`
    await insertEvent(sql, besides(dto, 'lot'), { subject: lot.id, version: lot.version + 1, what })
    await tell(sql, dto, { purchase: id, version, checks: [line.check?.id ?? null], what })
  })

/** The last piece of a size that came is taken back: it was another, or counted twice. */
export const takeBack = (db: Database, id: string, dto: ReceiptBackDto): Promise<OrdersView> =>
  write(db, dto, id, async sql => {
    const { supplier, version } = await purchaseFor(sql, id)
    const last = await orders.lastReceipt(sql, id, dto.lotId)
    if (!last) throw refuse(409, 'None of these came.')
    const lot = (await lotById(sql, last.lot_id))!
    if (last.check_id !== null) await takeFromPromise(sql, last.check_id, last.place!, lot.id)
    if (lot.onHand < 1) throw refuse(409, 'That piece is not in the drawer any more.')
    await insertMovement(sql, {
      id: `${dto.op}:back`,
      lotId: lot.id,
      change: -1,
      why: 'count',
      note: `taken back: not come from ${supplier}`,
    })
    const at = (lot.sizes ?? []).lastIndexOf(last.size_nm!)
    await updateLot(sql, lot.apart || at < 0 ? lot : withSizes(lot, lot.sizes!.toSpliced(at, 1)))
    await orders.voidReceipt(sql, last.id)
    const what = `Taken back, not come from ${supplier}: ${markedText(lot.nominal)}`
    await insertEvent(sql, besides(dto, 'lot'), { subject: lot.id, version: lot.version + 1, what })
    await tell(sql, dto, { purchase: id, version, checks: [last.check_id], what })
  })

/** What is outstanding of a size will not come: the checks that wait for it say so. */
export const cancel = (db: Database, id: string, dto: CancellationDto): Promise<OrdersView> =>
  write(db, dto, id, async sql => {
    const { supplier, version } = await purchaseFor(sql, id)
    const open = (await linesOf(sql, id, dto.lotId)).filter(line => outstanding(line) > 0)
    if (open.length === 0) throw refuse(409, 'Nothing of this size is outstanding.')
    const reason = dto.reason.trim()
    await orders.cancelLines(
      sql,
      open.map(line => line.id),
      reason,
    )
    const [lot] = await stockLots(sql, [dto.lotId])
    const checks = open.map(({ check }) => check?.id ?? null)
    await tell(sql, dto, {
      purchase: id,
      version,
      checks,
      what: `Does not come from ${supplier}: ${markedText(lot!.nominal)}. ${reason}`,
    })
  })

/** The list, or an order, as a table for whoever it is sent to: a row a size, with what each is for. */
export async function orderRows(
  sql: Sql,
  of: { readonly supplier: string } | { readonly purchase: string },
): Promise<(string | number)[][]> {
  const { lines, lots } = await ordersView(sql, 'purchase' in of ? of.purchase : null)
  const map = new Map(lots.map(lot => [lot.id, lot]))
  const own = lines.filter(line =>
    'purchase' in of ? line.purchase === of.purchase : line.purchase === null && map.get(line.lotId)?.supplier === of.supplier,
  )
  return bySize(own, map).map(size => {
    const lot = map.get(size.lotId)!
    return [
      lot.supplier,
      lot.article,
      lot.family,
      markedText(lot.nominal),
      [lot.mark, lot.colour].filter(Boolean).join(', '),
      size.pieces,
      size.arrived,
      lot.cost === null ? '' : (lot.cost / 100).toFixed(2),
      size.lines.map(({ check, pieces }) => `${pieces} for ${check ? `${check.unit}, ${check.title}` : 'the drawer'}`).join('; '),
    ]
  })
}
export const ORDER_COLUMNS = ['supplier', 'article', 'family', 'size', 'mark', 'pieces', 'here', 'price_of_one', 'for'] as const
