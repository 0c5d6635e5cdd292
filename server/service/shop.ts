import { decideShop } from '#core/shop/decide'
import { EMPTY_SHOP, type Shop } from '#core/shop/shop'
import { type ShopHappening } from '#core/shop/outcome'
import type { ShopCommand } from '#core/shop/commands'
import type { CommandDto, OperationDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { insertGauge, insertGaugeCheck, keepKit, setChecked, setZeroed, updateGauge } from '../database/gauges'
import { insertEntry } from '../database/library'
import * as orders from '../database/orders'
import { changePromise } from '../database/reserves'
import { boughtFrom, insertLot, insertMovement, updateLot } from '../database/stock'
import { assertFresh, refusedBy } from './command'
import { isRepeat } from './once'

type Sent = Pick<OperationDto, 'op' | 'content' | 'who'>

/** A command but for the id it is given under: that is the one it was sent under. */
export type ShopBody = ShopCommand extends infer C ? (C extends ShopCommand ? Omit<C, 'op'> : never) : never

/** What was sent, without what was left out, and as plain as it was sent. */
export const asSent = <T>(sent: unknown): T => JSON.parse(JSON.stringify(sent)) as T

/**
 * One write to the shop: once per `op`, only on what the writer saw. What it comes to is decided in `core`; here it is stored, all in
 * one transaction.
 * @param load  what of the shop it concerns
 * @param on  what it is done to, and as which version it was seen
 */
export const commandShop = <Answer>(
  db: Database,
  dto: Sent,
  load: (sql: Sql) => Promise<Partial<Shop>>,
  body: ShopBody,
  answer: (sql: Sql) => Promise<Answer>,
  on?: { readonly id: string } & Pick<CommandDto, 'version'>,
): Promise<Answer> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      const shop = { ...EMPTY_SHOP, ...(await load(sql)) }
      const now = [shop.lots, shop.purchases, shop.gauges, shop.limits].flat().find(({ id }) => id === on?.id)
      if (on && now) await assertFresh(sql, on.id, on.version, now.version)
      await carryOut(sql, shop, { ...body, op: dto.op } as ShopCommand, dto)
    }
    return answer(sql)
  })

async function carryOut(sql: Sql, shop: Shop, command: ShopCommand, { op, content, who }: Sent): Promise<void> {
  const outcome = decideShop(shop, command)
  if (!outcome.ok) throw refusedBy(outcome)
  for (const happening of outcome.happenings) await store(sql, happening, who ?? '')
  for (const [i, tell] of outcome.tells.entries())
    await insertEvent(sql, i === 0 ? { op, content, who } : { op: `${op}:${tell.subject}`, who }, tell)
}

/** Stores one thing that happened to the shop, by its table. */
async function store(sql: Sql, happening: ShopHappening, who: string): Promise<void> {
  switch (happening.type) {
    case 'lot-added': {
      const { lot } = happening
      await insertLot(sql, lot)
      if (lot.supplier !== '' || lot.article !== '') await boughtFrom(sql, lot.id, lot)
      return
    }
    case 'moved':
      await insertMovement(sql, happening.movement)
      return
    case 'lot-changed':
      await updateLot(sql, happening.lot)
      await boughtFrom(sql, happening.lot.id, happening.lot)
      return
    case 'promised':
      return changePromise(sql, happening.promise, happening.change)
    case 'line-added': {
      const { id, lotId, pieces } = happening.line
      await orders.insertLine(sql, { id, lotId, pieces, who })
      return
    }
    case 'line-dropped':
      await orders.dropLine(sql, happening.lineId)
      return
    case 'ordered':
      await orders.insertPurchase(sql, happening.purchase)
      await orders.putInPurchase(sql, happening.purchase.id, happening.lines)
      await orders.nameSupplier(sql, happening.named, happening.purchase.supplier)
      return
    case 'order-changed':
      await orders.updatePurchase(sql, happening.purchase)
      return
    case 'put-back':
      return orders.unmakePurchase(sql, happening.purchase)
    case 'received':
      await orders.insertReceipt(sql, happening.receipt)
      return
    case 'taken-back':
      await orders.voidReceipt(sql, happening.receipt)
      return
    case 'cancelled':
      await orders.cancelLines(sql, happening.lines, happening.reason)
      return
    case 'gauge-added':
      await insertGauge(sql, happening.gauge)
      return
    case 'gauge-changed':
      await updateGauge(sql, happening.gauge)
      return
    case 'gauge-zeroed':
      return setZeroed(sql, happening.gaugeId, happening.on)
    case 'kit-kept':
      return keepKit(sql, happening.gaugeId, happening.kit)
    case 'gauge-checked': {
      const { gaugeId, checks, lastCheck, due, foundWrong } = happening
      for (const check of checks) await insertGaugeCheck(sql, gaugeId, check)
      await setChecked(sql, gaugeId, lastCheck, due, foundWrong)
      return
    }
    case 'limits-kept':
      await insertEntry(sql, happening.entry, happening.removed)
  }
}
