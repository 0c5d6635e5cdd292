import type { StockLot } from '#core/shop/shop'
import type { StockView } from '#shared/types'

const ascending = (a: string | number, b: string | number): number => (a < b ? -1 : a > b ? 1 : 0)
/** As the server lists sizes: by family, as marked, as measured, those that are not measured last. */
const asListed = (a: StockLot, b: StockLot): number =>
  ascending(a.family, b.family) ||
  ascending(a.nominal, b.nominal) ||
  ascending(a.measured ?? Infinity, b.measured ?? Infinity) ||
  ascending(a.id, b.id)

/** The list with the part that comes after it; what was put in meanwhile may have moved a size from one to the other. */
export function withPart(view: StockView, next: StockView): StockView {
  const there = new Set(view.lots.map(({ id }) => id))
  const lots = next.lots.filter(({ id }) => !there.has(id))
  return { ...view, lots: [...view.lots, ...lots], gone: [...new Set([...view.gone, ...next.gone])], more: next.more }
}

/** The list with what a write left of the sizes it concerned. */
export function withChange(view: StockView | null, change: StockView): StockView {
  if (view === null || change.of === null) return change
  const concerned = new Set(change.of)
  const others = view.lots.filter(({ id }) => !concerned.has(id))
  const gone = view.gone.filter(id => !concerned.has(id))
  return {
    ...view,
    ...change,
    of: null,
    more: view.more,
    lots: [...others, ...change.lots].sort(asListed),
    gone: [...gone, ...change.gone],
  }
}
