import { checkKind } from '#core/check/registry'
import { bySize } from '#core/pack/order-list'
import { markedText } from '#core/quantity/format-length'
import type { ChangeOrderCommand } from '#core/shop/commands'
import type { CancellationDto, NewLineDto, NewPurchaseDto, PurchaseChangeDto, ReceiptBackDto, ReceiptDto } from '#shared/dto/order'
import type { CommandDto, OperationDto } from '#shared/dto/command'
import type { OrdersView, WantedLine } from '#shared/orders'
import type { Database, Sql } from '../database/client'
import * as orders from '../database/orders'
import { lotsByIds } from '../database/stock'
import { asSent, commandShop, type ShopBody } from './shop'
import { drawerWith } from './stock'

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
    lots: await lotsByIds(sql, [...new Set(lines.map(({ lotId }) => lotId))]),
    unserved: await orders.unserved(sql, MOST_UNSERVED),
  }
}

/** An order with its lines, what came of it, and the sizes it names; of lines of the list, those. */
export async function ordersWith(
  sql: Sql,
  { lines: ids = [], purchase, lots = [] }: Partial<Record<'lines' | 'lots', string[]>> & { purchase?: string },
) {
  const lines = await orders.shopLines(sql, ids, purchase ?? null)
  const found = purchase === undefined ? undefined : await orders.purchaseById(sql, purchase)
  const receipts = purchase === undefined ? [] : await orders.receiptsOf(sql, purchase)
  const drawer = await drawerWith(sql, [...new Set([...lots, ...lines.map(({ lotId }) => lotId), ...receipts.map(({ lotId }) => lotId)])])
  return { ...drawer, lines, receipts, purchases: found ? [found] : [] }
}

export const addLine = (db: Database, { id, lotId, pieces, ...dto }: NewLineDto): Promise<OrdersView> =>
  commandShop(db, dto, sql => ordersWith(sql, { lines: [id], lots: [lotId] }), { kind: 'add-line', id, lotId, pieces }, ordersView)

export const dropLine = (db: Database, lineId: string, dto: OperationDto): Promise<OrdersView> =>
  commandShop(db, dto, sql => ordersWith(sql, { lines: [lineId] }), { kind: 'drop-line', lineId }, ordersView)

export const order = (db: Database, { id, lines, orderedOn, due, ...dto }: NewPurchaseDto): Promise<OrdersView> => {
  const words = { supplier: dto.supplier.trim(), reference: dto.reference?.trim() ?? '' }
  const body: ShopBody = { kind: 'order', id, lines, orderedOn, due: due ?? null, ...words }
  return commandShop(db, dto, sql => ordersWith(sql, { lines, purchase: id }), body, ordersView)
}

/** What is done to an order; it is answered with that order, however long it is here. */
const onOrder = (
  db: Database,
  purchase: string,
  dto: OperationDto & Partial<CommandDto>,
  body: ShopBody,
  lots: string[] = [],
): Promise<OrdersView> =>
  commandShop(
    db,
    dto,
    sql => ordersWith(sql, { purchase, lots }),
    body,
    sql => ordersView(sql, purchase),
    dto.version === undefined ? undefined : { id: purchase, version: dto.version },
  )

export const changePurchase = (db: Database, purchase: string, dto: PurchaseChangeDto): Promise<OrdersView> => {
  const change = asSent<ChangeOrderCommand['change']>({ reference: dto.reference?.trim(), due: dto.due })
  return onOrder(db, purchase, dto, { kind: 'change-order', purchase, change })
}
export const putBack = (db: Database, purchase: string, dto: CommandDto): Promise<OrdersView> =>
  onOrder(db, purchase, dto, { kind: 'put-back', purchase })
export const receive = (db: Database, purchase: string, dto: ReceiptDto): Promise<OrdersView> => {
  const { id, lotId, size = null } = dto
  return onOrder(db, purchase, dto, { kind: 'receive', purchase, id, lotId, size, mark: dto.mark?.trim() ?? null }, [id])
}
export const takeBack = (db: Database, purchase: string, dto: ReceiptBackDto): Promise<OrdersView> =>
  onOrder(db, purchase, dto, { kind: 'take-back', purchase, lotId: dto.lotId })
export const cancel = (db: Database, purchase: string, dto: CancellationDto): Promise<OrdersView> =>
  onOrder(db, purchase, dto, { kind: 'cancel', purchase, lotId: dto.lotId, reason: dto.reason.trim() })

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
