import fc from 'fast-check'
import { thou, type Nm } from '../core/quantity/length'
import { EMPTY_SHOP, type Shop, type StockLot } from '../core/shop/shop'
import type { ShopCommand } from '../core/shop/commands'
import { lotOf } from './pieces'

// A drawer, and anything that may be done to it and its order list.

const lot = (id: string, thick: number, onHand: number, more: Partial<StockLot> = {}): StockLot => ({
  ...lotOf(id, thou(thick), { measured: null, family: 'pieces', onHand }),
  ...{ version: 1, supplier: '', article: '' },
  ...more,
})

/** Two sizes free, one partly kept aside, one of which there is none. */
export const SHOP: Shop = {
  ...EMPTY_SHOP,
  lots: [lot('ten', 10, 3), lot('eight', 8, 2), lot('five', 5, 4, { reserved: 1 }), lot('two', 2, 0)],
}
let ops = 0
/** Ids for what a step makes. */
export const newId = () => `n${ops++}`
/** The head of a command, given once. */
export const op = () => ({ op: `o${ops++}` })
export const take = (lotId: string, change: number): ShopCommand => ({
  ...op(),
  kind: 'move',
  lotId,
  why: change > 0 ? 'take-in' : 'count',
  change,
  note: 'counted',
})
export const line = (id: string, lotId: string, pieces: number): ShopCommand => ({ ...op(), kind: 'add-line', id, lotId, pieces })
export const order = (id: string, ...lines: string[]): ShopCommand => ({
  ...op(),
  ...{ kind: 'order', id, lines, supplier: 'Shim Quay', reference: '', orderedOn: '2026-05-04', due: '2026-05-09' },
})
export const came = (lotId: string, more: { id?: string; size?: Nm; mark?: string } = {}): ShopCommand => ({
  ...op(),
  ...{ kind: 'receive', purchase: 'p', id: `r${ops}`, lotId, size: null, mark: null },
  ...more,
})
export const apart = (lotId: string, id: string, size: Nm): ShopCommand => ({ ...op(), kind: 'tell-apart', lotId, id, size, mark: 'T1' })
export const back = (lotId: string): ShopCommand => ({ ...op(), kind: 'take-back', purchase: 'p', lotId })
export const cancel = (lotId: string): ShopCommand => ({ ...op(), kind: 'cancel', purchase: 'p', lotId, reason: 'out of stock' })
export const join = (lotId: string): ShopCommand => ({ ...op(), kind: 'join-like', lotId })
export const putBack = (): ShopCommand => ({ ...op(), kind: 'put-back', purchase: 'p' })

export const WHATS = [
  ...['line', 'want', 'order', 'order', 'came', 'came', 'came apart', 'back', 'cancel', 'put back', 'in', 'count', 'apart', 'join'],
  ...['promise', 'promise', 'fit', 'fit', 'fit with claim', 'fit in hand', 'drop'],
] as const
export const anyStep = fc.record({ what: fc.constantFrom(...WHATS), a: fc.nat(11), b: fc.nat(11), count: fc.integer({ min: 1, max: 3 }) })
export type Step = typeof anyStep extends fc.Arbitrary<infer S> ? S : never
/** One of a list, whatever the number; undefined: it is empty. */
export const pick = <T>(list: readonly T[], i: number): T | undefined => list[i % Math.max(1, list.length)]

/** What a step is, done to this shop; null: it is done to a check. */
export function shopCommand(shop: Shop, { what, a, b, count }: Step): ShopCommand | null {
  const lotId = pick(shop.lots, a)!.id
  const purchase = pick(shop.purchases, b)?.id ?? 'none'
  const id = newId()
  switch (what) {
    case 'line':
      return line(id, lotId, count)
    case 'order': {
      const open = shop.lines.filter(one => one.purchase === null && !one.dropped).map(one => one.id)
      return order(id, ...open.slice(0, count))
    }
    case 'came':
      return { ...came(lotId, a % 2 ? { size: thou(5) } : {}), purchase } as ShopCommand
    case 'came apart':
      return { ...came(lotId, { size: thou(7), mark: 'T', id }), purchase } as ShopCommand
    case 'back':
      return { ...back(lotId), purchase } as ShopCommand
    case 'cancel':
      return { ...cancel(lotId), purchase } as ShopCommand
    case 'put back':
      return { ...putBack(), purchase } as ShopCommand
    case 'in':
      return take(lotId, count)
    case 'count':
      return take(lotId, -count)
    case 'apart':
      return apart(lotId, id, thou(6))
    case 'join':
      return join(
        pick(
          shop.lots.filter(one => one.apart),
          a,
        )?.id ?? lotId,
      )
    case 'drop':
      return { ...op(), kind: 'drop-line', lineId: pick(shop.lines, a)?.id ?? 'none' }
    default:
      return null
  }
}
