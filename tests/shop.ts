import type { CheckDocument } from '../core/check/document'
import type { Bench } from '../core/command/command'
import type { Happening } from '../core/command/happening'
import type { Pack } from '../core/pack/lot'
import { decideShop } from '../core/shop/decide'
import type { Promised, Shop } from '../core/shop/shop'
import type { ShopHappening } from '../core/shop/outcome'
import type { ShopCommand } from '../core/shop/commands'
import { promisedOf } from '../core/shop/stock'

// What is stored of the shop, without a database: what is decided by and stored there is held against this.

/** The shop after a command that must be done. */
export function doneIn(shop: Shop, ...commands: readonly ShopCommand[]): Shop {
  return commands.reduce((now, command) => {
    const outcome = decideShop(now, command)
    if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
    return outcome.happenings.reduce(applyToShop, now)
  }, shop)
}

/** The drawer as a check sees it: what is promised to others counts as reserved. */
export function benchIn(shop: Shop, document: CheckDocument): Bench {
  const own = shop.promises.filter(({ check }) => check === document.id)
  const reserves: Record<string, Pack> = {}
  for (const { place, lotId, count } of own) reserves[place] = [...(reserves[place] ?? []), { lotId, count }]
  const mine = { promises: own }
  return {
    document,
    reserves,
    lots: shop.lots
      .filter(({ removed }) => !removed)
      .map(lot => ({ ...lot, reserved: lot.reserved + promisedOf(shop, lot.id) - promisedOf(mine, lot.id) })),
  }
}

/** What a check does to the shop. */
export function afterCheck(shop: Shop, check: string, happening: Happening): Shop {
  switch (happening.type) {
    case 'lot-added':
      return applyToShop(shop, { type: 'lot-added', lot: { ...happening.lot, supplier: '', article: '' } })
    case 'moved':
      return applyToShop(shop, happening)
    case 'promised': {
      const { place, pack } = happening
      const others = shop.promises.filter(one => one.check !== check || one.place !== place)
      return { ...shop, promises: [...pack.map(piece => ({ check, place, ...piece })), ...others] }
    }
    case 'claimed': {
      let left = happening.count
      const promises = shop.promises.flatMap(one => {
        if (one.check === check || one.lotId !== happening.lotId) return [one]
        const taken = Math.min(left, one.count)
        left -= taken
        return taken === one.count ? [] : [{ ...one, count: one.count - taken }]
      })
      return { ...shop, promises }
    }
    case 'wanted': {
      const kept = shop.lines.map(line =>
        line.check?.id === check && line.check.place === happening.place && line.purchase === null
          ? { ...line, dropped: true as const }
          : line,
      )
      const wants = happening.pack.map(({ lotId, count }, i) => ({
        ...{ id: `w${kept.length + i}`, lotId, pieces: count, arrived: 0, purchase: null, cancelled: null },
        check: { id: check, place: happening.place, signed: false },
      }))
      return { ...shop, lines: [...kept, ...wants] }
    }
    default:
      return shop
  }
}

/** The shop after something happened. */
export function applyToShop(shop: Shop, happening: ShopHappening): Shop {
  switch (happening.type) {
    case 'lot-added':
      return { ...shop, lots: [...shop.lots, { ...happening.lot, onHand: 0, version: 1 }] }
    case 'moved': {
      const { lotId, change } = happening.movement
      return { ...shop, lots: shop.lots.map(lot => (lot.id === lotId ? { ...lot, onHand: lot.onHand + change } : lot)) }
    }
    case 'lot-changed': {
      const { onHand: _, version: __, ...known } = happening.lot
      return {
        ...shop,
        lots: shop.lots.map(lot => (lot.id === known.id ? { ...known, onHand: lot.onHand, version: lot.version + 1 } : lot)),
      }
    }
    case 'promised':
      return { ...shop, promises: withPromise(shop.promises, happening.promise, happening.change) }
    case 'line-added':
      return { ...shop, lines: [...shop.lines, happening.line] }
    case 'line-dropped':
      return { ...shop, lines: shop.lines.map(line => (line.id === happening.lineId ? { ...line, dropped: true } : line)) }
    case 'ordered': {
      const { purchase, lines, named } = happening
      return {
        ...shop,
        purchases: [...shop.purchases, purchase],
        lines: shop.lines.map(line => (lines.includes(line.id) ? { ...line, purchase: purchase.id } : line)),
        lots: shop.lots.map(lot => (named.includes(lot.id) ? { ...lot, supplier: purchase.supplier } : lot)),
      }
    }
    case 'order-changed':
      return {
        ...shop,
        purchases: shop.purchases.map(one =>
          one.id === happening.purchase.id ? { ...happening.purchase, version: one.version + 1 } : one,
        ),
      }
    case 'put-back':
      return {
        ...shop,
        purchases: shop.purchases.filter(({ id }) => id !== happening.purchase),
        lines: shop.lines.map(line => (line.purchase === happening.purchase ? { ...line, purchase: null } : line)),
      }
    case 'received':
      return {
        ...shop,
        receipts: [...shop.receipts, happening.receipt],
        lines: shop.lines.map(line => (line.id === happening.receipt.lineId ? { ...line, arrived: line.arrived + 1 } : line)),
      }
    case 'taken-back': {
      const receipt = shop.receipts.find(({ id }) => id === happening.receipt)
      return {
        ...shop,
        receipts: shop.receipts.filter(one => one !== receipt),
        lines: shop.lines.map(line => (line.id === receipt?.lineId ? { ...line, arrived: line.arrived - 1 } : line)),
      }
    }
    case 'cancelled':
      return {
        ...shop,
        lines: shop.lines.map(line => (happening.lines.includes(line.id) ? { ...line, cancelled: happening.reason } : line)),
      }
    case 'gauge-added':
      return { ...shop, gauges: [...shop.gauges, { ...happening.gauge, version: 1 }] }
    case 'gauge-changed':
      return {
        ...shop,
        gauges: shop.gauges.map(one => (one.id === happening.gauge.id ? { ...happening.gauge, version: one.version + 1 } : one)),
      }
    // A kit is read where the gauge is built up; nothing is decided by it.
    case 'kit-kept':
      return {
        ...shop,
        gauges: shop.gauges.map(one => (one.id === happening.gaugeId ? { ...one, version: one.version + 1 } : one)),
      }
    case 'gauge-zeroed':
      return { ...shop, gauges: shop.gauges.map(one => (one.id === happening.gaugeId ? { ...one, zeroedOn: happening.on } : one)) }
    case 'gauge-checked': {
      const { gaugeId, checks, lastCheck, due, foundWrong } = happening
      const all = [...checks.toReversed(), ...(shop.gaugeChecks[gaugeId] ?? [])]
      return {
        ...shop,
        gaugeChecks: { ...shop.gaugeChecks, [gaugeId]: all.sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)) },
        gauges: shop.gauges.map(one => {
          const { foundWrong: _, ...gauge } = one
          return one.id === gaugeId
            ? { ...gauge, lastCheck, due, ...(foundWrong === null ? {} : { foundWrong }), version: one.version + 1 }
            : one
        }),
      }
    }
    case 'limits-kept': {
      const { entry, removed } = happening
      return { ...shop, limits: [...shop.limits.filter(({ id }) => id !== entry.id), { ...entry, removed }] }
    }
  }
}

function withPromise(promises: readonly Promised[], { check, place, lotId }: Omit<Promised, 'count'>, change: number): Promised[] {
  const same = (one: Promised) => one.check === check && one.place === place && one.lotId === lotId
  const count = (promises.find(same)?.count ?? 0) + change
  if (count <= 0) return promises.filter(one => !same(one))
  return promises.some(same) ? promises.map(one => (same(one) ? { ...one, count } : one)) : [{ check, place, lotId, count }, ...promises]
}
