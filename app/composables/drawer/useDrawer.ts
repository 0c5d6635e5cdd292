import { ref } from 'vue'
import type { StockView } from '#shared/types'
import { api } from '../server/useApi'
import { withChange, withPart } from './stock-view'

/** The drawer as the server has it: its list, which comes in parts, and what writes change of it. */
export function useDrawer() {
  const stock = ref<StockView | null>(null)
  /** written while the list was on its way: some of it is older than that */
  let meanwhile: StockView[] = []
  /** @throws what the server says */
  async function load(): Promise<void> {
    meanwhile = []
    let view = await api<StockView>('/api/stock')
    while (view.more !== null) {
      // What is there already can be worked with.
      stock.value ??= view
      const next: StockView = await api<StockView>(`/api/stock?skip=${view.more}`)
      view = withPart(view, next)
    }
    stock.value = meanwhile.reduce<StockView>(withChange, view)
  }
  /** What a write answered. */
  const keep = (change: StockView): void => {
    meanwhile.push(change)
    stock.value = withChange(stock.value, change)
  }
  return { stock, load, keep }
}
