import { v4 as uuid } from 'uuid'
import { waitingOf, type OrderLine, type Waiting } from '#core/pack/order-list'
import type { Pack } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import type { Purchase, Receipt, ShopLine } from '#core/shop/shop'
import type { CheckOrder, Coming, OrdersView } from '#shared/orders'
import { insertRows, updateRow } from './bulk'
import type { Prepared, Sql } from './client'

interface LineRow {
  id: string
  lot_id: string
  pieces: number
  check_id: string | null
  place: string | null
  purchase_id: string | null
  cancelled: string | null
  who: string
  created_at: Date | string
  sizes: (number | null)[]
  supplier: string | null
  due: string | null
}
/** Receipts that were not taken back. */
const KEPT = 'NOT EXISTS (SELECT 1 FROM receipt_void v WHERE v.receipt_id = r.id)'
const arrivedAt = (line: string) => `(SELECT count(*) FROM receipt r WHERE r.line_id = ${line}.id AND ${KEPT})`
const LINES = `SELECT l.id, l.lot_id, l.pieces, l.check_id, l.place, l.purchase_id, l.cancelled, l.who, l.created_at, p.supplier, p.due,
    (SELECT COALESCE(json_agg(r.size_nm ORDER BY r.seq), '[]') FROM receipt r
      WHERE r.line_id = l.id AND ${KEPT}) AS sizes
  FROM order_line l LEFT JOIN purchase p ON p.id = l.purchase_id`
const IN_ORDER = 'ORDER BY l.created_at, l.id'

export const orderLineOf = (row: LineRow): OrderLine & { readonly sizes: readonly (Nm | null)[] } => ({
  id: row.id,
  lotId: row.lot_id,
  pieces: row.pieces,
  arrived: row.sizes.length,
  purchase: row.purchase_id,
  cancelled: row.cancelled,
  sizes: row.sizes as (Nm | null)[],
})

/** What is wanted, ordered or here for a check, and not fitted from since. */
export const ORDERS_OF_CHECK = `${LINES} WHERE l.check_id = c.id AND l.dropped_at IS NULL AND l.settled_at IS NULL ${IN_ORDER}`
export const checkOrderOf = (row: LineRow): CheckOrder => ({
  ...orderLineOf(row),
  place: row.place!,
  supplier: row.supplier ?? '',
  due: row.due,
})

/** What is wanted and not here, the soonest first. */
const COMING = `SELECT l.lot_id, l.pieces - ${arrivedAt('l')}::integer AS pieces, p.supplier, p.due, k.title
  FROM order_line l JOIN lot ON lot.id = l.lot_id LEFT JOIN purchase p ON p.id = l.purchase_id LEFT JOIN checks k ON k.id = l.check_id
    LEFT JOIN job ON job.id = k.job_id
  WHERE l.dropped_at IS NULL AND l.cancelled IS NULL AND (l.purchase_id IS NOT NULL OR (k.removed_at IS NULL AND job.removed_at IS NULL))
    AND l.pieces > ${arrivedAt('l')}`
const SOONEST = 'ORDER BY p.due NULLS LAST, l.created_at, l.id'
/** What of its family is on its way for the drawer: nobody waits for it. */
export const COMING_FOR_DRAWER = `${COMING} AND lot.family = c.family AND l.check_id IS NULL AND l.purchase_id IS NOT NULL ${SOONEST}`
export type ComingRow = Omit<Coming, 'lotId' | 'check'> & { readonly lot_id: string; readonly title: string | null }
export const comingOf = ({ lot_id, title, ...row }: ComingRow): Coming => ({ ...row, lotId: lot_id, check: title })
export const comingPieces = async (sql: Sql) => (await sql.rows<ComingRow>(`${COMING} ${SOONEST}`)).map(comingOf)

const WAITING: Prepared = {
  name: 'waiting_checks',
  statement: `${LINES} WHERE l.check_id = ANY(ARRAY(
      SELECT id FROM checks WHERE job_id = ANY(ARRAY(SELECT json_array_elements_text($1::json))) AND NOT signed))
    AND l.check_id IS NOT NULL AND l.dropped_at IS NULL AND l.settled_at IS NULL ${IN_ORDER}`,
  values: 1,
}
/** How the checks of some jobs wait for pieces, by check. */
export async function waitingChecks(sql: Sql, jobIds: readonly string[]): Promise<ReadonlyMap<string, Waiting>> {
  const rows = await sql.prepared<LineRow>(WAITING, [JSON.stringify(jobIds)])
  const checks = [...new Set(rows.map(({ check_id }) => check_id!))]
  return new Map(
    checks.map(id => [id, waitingOf(rows.filter(({ check_id }) => check_id === id).map(row => ({ ...orderLineOf(row), due: row.due })))!]),
  )
}

/** A line as the order list shows it. */
export type ListedRow = LineRow & {
  title: string | null
  kind: string | null
  setup: Record<string, string> | null
  unit_name: string | null
  signed: boolean | null
}
const LISTED = `SELECT l.*, c.title, c.kind, c.setup, c.signed, u.name AS unit_name FROM (${LINES} WHERE l.dropped_at IS NULL) l
  LEFT JOIN checks c ON c.id = l.check_id LEFT JOIN job j ON j.id = c.job_id LEFT JOIN unit u ON u.id = j.unit_id`
/** Everything on the list or on its way, the newest of what is here, and an order that is asked for. */
export const listedLines = (sql: Sql, newest: number, asked: string | null) =>
  sql.rows<ListedRow>(
    `${LISTED} WHERE (l.purchase_id IS NULL AND c.removed_at IS NULL AND j.removed_at IS NULL) OR l.purchase_id = $2
      OR l.purchase_id IN (SELECT id FROM purchase ORDER BY created_at DESC, id LIMIT $1)
      OR l.purchase_id IN (SELECT o.purchase_id FROM order_line o WHERE o.cancelled IS NULL AND o.pieces >
        ${arrivedAt('o')})
    ${IN_ORDER}`,
    [newest, asked],
  )
/** Lines by their names, and those of an order, as what is done to them is decided. */
export const shopLines = async (sql: Sql, ids: readonly string[], purchase: string | null): Promise<ShopLine[]> =>
  (
    await sql.rows<LineRow & { dropped: boolean; signed: boolean | null }>(
      `SELECT x.*, o.dropped_at IS NOT NULL AS dropped, k.signed FROM (${LINES}) x JOIN order_line o ON o.id = x.id
      LEFT JOIN checks k ON k.id = x.check_id WHERE x.id = ANY($1) OR x.purchase_id = $2 ORDER BY x.created_at, x.id`,
      [ids, purchase],
    )
  ).map(({ dropped, signed, ...row }) => {
    const { sizes: _, ...line } = orderLineOf(row)
    const check = row.check_id === null ? null : { id: row.check_id, place: row.place!, signed: signed! }
    return { ...line, check, ...(dropped ? { dropped: true } : {}) }
  })
/** The pieces that came of an order and were not taken back, in the order they came in. */
export const receiptsOf = (sql: Sql, purchase: string): Promise<Receipt[]> =>
  sql.rows<Receipt>(
    `SELECT r.id, r.line_id AS "lineId", r.lot_id AS "lotId", r.size_nm AS size FROM receipt r JOIN order_line l ON l.id = r.line_id
    WHERE l.purchase_id = $1 AND ${KEPT} ORDER BY r.seq`,
    [purchase],
  )

/** A line of the list. */
export const insertLine = (sql: Sql, line: { id: string; lotId: string; pieces: number; checkId?: string; place?: string; who: string }) =>
  insertRows(sql, 'order_line', [
    {
      id: line.id,
      lot_id: line.lotId,
      pieces: line.pieces,
      check_id: line.checkId ?? null,
      place: line.place ?? null,
      who: line.who,
      created_at: new Date(),
    },
  ])
/** The list holds this for a place of a check, and nothing else that is not ordered yet. */
export async function wantFor(sql: Sql, checkId: string, place: string, pack: Pack, who: string): Promise<void> {
  await sql.rows(`UPDATE order_line SET dropped_at = now() WHERE check_id = $1 AND place = $2 AND ${ON_LIST}`, [checkId, place])
  // The next answer to a supplier who cancelled.
  await sql.rows(
    'UPDATE order_line SET settled_at = now() WHERE check_id = $1 AND place = $2 AND cancelled IS NOT NULL AND settled_at IS NULL',
    [checkId, place],
  )
  for (const { lotId, count } of pack) await insertLine(sql, { id: uuid(), lotId, pieces: count, checkId, place, who })
}
const ON_LIST = 'purchase_id IS NULL AND dropped_at IS NULL'
export const dropLine = (sql: Sql, id: string) => sql.rows(`UPDATE order_line SET dropped_at = now() WHERE id = $1 AND ${ON_LIST}`, [id])
/** What a signed check wanted is not ordered any more. */
export const dropWants = (sql: Sql, checkId: string) =>
  sql.rows(`UPDATE order_line SET dropped_at = now() WHERE check_id = $1 AND ${ON_LIST}`, [checkId])
/** Places were fitted: what came for them, or will not come, is not waited for any more. */
export const settle = (sql: Sql, checkId: string, places: readonly string[]) =>
  sql.rows(
    `UPDATE order_line l SET settled_at = now() WHERE check_id = $1 AND place = ANY($2) AND settled_at IS NULL AND dropped_at IS NULL
      AND (cancelled IS NOT NULL OR pieces <= ${arrivedAt('l')})`,
    [checkId, places],
  )

interface PurchaseRow {
  id: string
  supplier: string
  reference: string
  ordered_on: string
  due: string | null
  version: number
}
const purchaseOf = ({ ordered_on, ...row }: PurchaseRow): Purchase => ({ ...row, orderedOn: ordered_on })
const PURCHASE = 'SELECT id, supplier, reference, ordered_on, due, version FROM purchase'
export const purchaseById = async (sql: Sql, id: string) =>
  (await sql.rows<PurchaseRow>(`${PURCHASE} WHERE id = $1`, [id])).map(purchaseOf)[0]
export const purchasesNamed = async (sql: Sql, ids: readonly string[]) =>
  (await sql.rows<PurchaseRow>(`${PURCHASE} WHERE id = ANY($1) ORDER BY ordered_on DESC, created_at DESC, id`, [ids])).map(purchaseOf)
/** All that is said of each of so many orders, the newest first. */
export const orderWords = (sql: Sql, newest: number) =>
  sql.rows<{ id: string; supplier: string; reference: string; ordered_on: string; said: string }>(
    `SELECT p.id, p.supplier, p.reference, p.ordered_on,
      concat_ws(' ', 'order', p.supplier, p.reference, to_char(p.ordered_on::date, 'FMMonth YYYY DD'), s.said) AS said
    FROM (SELECT * FROM purchase ORDER BY created_at DESC, id LIMIT $1) p CROSS JOIN LATERAL (
      SELECT string_agg(concat_ws(' ', lot.family, lot.mark, lot.colour, lot.article, l.who, l.cancelled, u.name, c.title), ' ') AS said
      FROM order_line l JOIN lot ON lot.id = l.lot_id
      LEFT JOIN checks c ON c.id = l.check_id LEFT JOIN job j ON j.id = c.job_id LEFT JOIN unit u ON u.id = j.unit_id
      WHERE l.purchase_id = p.id) s
    ORDER BY p.ordered_on DESC, p.created_at DESC, p.id`,
    [newest],
  )
export const insertPurchase = (sql: Sql, { id, supplier, reference, orderedOn, due }: Omit<Purchase, 'version'>) =>
  insertRows(sql, 'purchase', [{ id, supplier, reference, ordered_on: orderedOn, due, created_at: new Date(), version: 1 }])
export const updatePurchase = (sql: Sql, { id, supplier, reference, due }: Pick<Purchase, 'id' | 'supplier' | 'reference' | 'due'>) =>
  updateRow(sql, 'purchase', id, { supplier, reference, due })
export const putInPurchase = (sql: Sql, purchase: string, lines: readonly string[]) =>
  sql.rows('UPDATE order_line SET purchase_id = $1 WHERE id = ANY($2)', [purchase, lines])
/** The order is none after all: its lines are back on the list. */
export async function unmakePurchase(sql: Sql, id: string): Promise<void> {
  await sql.rows('UPDATE order_line SET purchase_id = NULL WHERE purchase_id = $1', [id])
  await sql.rows('DELETE FROM purchase WHERE id = $1', [id])
}
export const cancelLines = (sql: Sql, ids: readonly string[], reason: string) =>
  sql.rows('UPDATE order_line SET cancelled = $2 WHERE id = ANY($1)', [ids, reason])

export const insertReceipt = (sql: Sql, r: Receipt) =>
  insertRows(sql, 'receipt', [{ id: r.id, line_id: r.lineId, lot_id: r.lotId, size_nm: r.size, at: new Date() }])
export const voidReceipt = (sql: Sql, id: string) => sql.rows('INSERT INTO receipt_void (receipt_id) VALUES ($1)', [id])

/** Open checks that are out, too close or not decided, and that nothing is wanted for. */
export const unserved = (sql: Sql, most: number): Promise<OrdersView['unserved']> =>
  sql.rows(
    `SELECT c.id, c.title, u.name AS unit FROM checks c JOIN job j ON j.id = c.job_id JOIN unit u ON u.id = j.unit_id
    WHERE NOT c.signed AND c.removed_at IS NULL AND j.removed_at IS NULL AND c.state IN ('above', 'below', 'close', 'provisional')
      AND NOT EXISTS (SELECT 1 FROM order_line l WHERE l.check_id = c.id AND l.dropped_at IS NULL AND l.settled_at IS NULL)
    ORDER BY c.pressing, c.created_at DESC, c.position, c.id LIMIT $1`,
    [most],
  )

/** The supplier of sizes nobody named one for. */
export const nameSupplier = (sql: Sql, lots: readonly string[], supplier: string) =>
  sql.rows(`UPDATE lot SET supplier = $2 WHERE id = ANY($1) AND supplier = ''`, [lots, supplier])

const OF_CHECKS = 'SELECT l.check_id FROM order_line l WHERE l.check_id IS NOT NULL AND l.dropped_at IS NULL AND l.settled_at IS NULL'
/** Of checks `c`: something is on its way to it. An array is worked out once, whatever the plan. */
export const ORDERED = `c.id = ANY(ARRAY(${OF_CHECKS} AND l.purchase_id IS NOT NULL AND l.cancelled IS NULL AND l.pieces > ${arrivedAt('l')}))`
/** Of checks `c`: what it waited for is here. */
export const ARRIVED = `c.id = ANY(ARRAY(${OF_CHECKS} GROUP BY l.check_id
  HAVING bool_and(l.cancelled IS NOT NULL OR l.pieces <= ${arrivedAt('l')}) AND bool_or(${arrivedAt('l')} > 0)))`
