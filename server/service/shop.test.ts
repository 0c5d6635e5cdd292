import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Shop } from '#core/shop/shop'
import type { ShopCommand } from '#core/shop/commands'
import { decideShop } from '#core/shop/decide'
import { inLong } from '../../tests/runs'
import { applyToShop } from '../../tests/shop'
import { SHOP, anyStep, shopCommand } from '../../tests/shop-steps'
import { openDatabase, type Database, type Sql } from '../database/client'
import { schema } from '../database/from-source'
import { insertLot, insertMovement } from '../database/stock'
import type { Refused } from '../http/refuse'
import { ordersWith } from './orders'
import { commandShop } from './shop'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  for (const { onHand, ...lot } of SHOP.lots) {
    await insertLot(db, lot)
    if (onHand > 0) await insertMovement(db, { id: `start:${lot.id}`, lotId: lot.id, change: onHand, why: 'take-in', note: '' })
  }
})
afterAll(() => db.close())

/** What a command names, to be loaded for it. */
const load = (command: ShopCommand) => (sql: Sql) => {
  const named = command as Partial<Record<'id' | 'lotId' | 'lineId' | 'purchase', string>> & { readonly lines?: readonly string[] }
  const ids = [named.id, named.lotId].flatMap(id => id ?? [])
  return ordersWith(sql, {
    lots: ids,
    lines: [...ids, ...(named.lines ?? []), ...(named.lineId ? [named.lineId] : [])],
    purchase: named.purchase ?? named.id ?? 'none',
  })
}
/** As it is stored, in the order of the model: what is equal and made in one moment has no order of its own. */
async function stored(model: Shop) {
  const lots = model.lots.map(({ id }) => id)
  const all = await ordersWith(db, { lots, lines: model.lines.map(({ id }) => id) })
  const byId = <T extends { readonly id: string }>(list: readonly T[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1))
  const plain = (shop: Pick<Shop, 'lots' | 'lines'>) => ({
    lots: byId(shop.lots).map(({ sizes = [], scatter: _, ...lot }) => ({ ...lot, sizes })),
    lines: byId(shop.lines),
  })
  return { here: plain(all), there: plain(model) }
}

describe('what is decided of the shop', () => {
  it('is what is stored of it: the same is refused, and the drawer and the list hold the same after each step', async () => {
    let model: Shop = SHOP
    let done = 0
    for (const step of fc.sample(anyStep, { numRuns: inLong ? 1500 : 240, seed: 5 })) {
      const command = shopCommand(model, step)
      if (!command) continue
      const outcome = decideShop(model, command)
      const answer = await commandShop(db, { op: command.op }, load(command), command, () => Promise.resolve(true)).catch(
        (error: unknown) => error,
      )
      if (outcome.ok) expect(answer).toBe(true)
      else expect((answer as Refused).refusal.faults).toEqual(outcome.faults)
      if (!outcome.ok) continue
      done++
      model = outcome.happenings.reduce(applyToShop, model)
      const { here, there } = await stored(model)
      expect(here).toEqual(there)
    }
    expect(done).toBeGreaterThan(60)
  })
})
