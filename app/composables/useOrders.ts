import { ref, shallowRef, type Ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { OrdersView, WantedLine } from '#shared/orders'
import type { Fault, StockLot } from '#shared/types'
import { RefusedError, api, faultAt, faultsOf } from './useApi'

/**
 * The order list on the screen, what is written to it, and what the server says against that, by the form that sent it; an order that is
 * picked is there however long it has come.
 */
export function useOrders(picked: Readonly<Ref<string | null>>) {
  const asked = () => (picked.value === null ? '/api/orders' : `/api/orders?${new URLSearchParams({ order: picked.value })}`)
  const view = shallowRef<OrdersView | null>(null)
  const faults = ref<readonly Fault[]>([])
  const sender = ref('')
  /** why something was not done, as things stand by now */
  const overtaken = ref<readonly string[]>([])

  async function load(): Promise<void> {
    try {
      view.value = await api<OrdersView>(asked())
    } catch (error) {
      sender.value = ''
      faults.value = faultsOf(error)
    }
  }
  /** @returns whether it was done; what was not is told at `what` */
  async function send(what: string, path: string, body: Record<string, unknown> = {}, method = 'POST'): Promise<boolean> {
    faults.value = []
    overtaken.value = []
    sender.value = what
    try {
      view.value = await api<OrdersView>(`/api/orders${path}`, { method, body: { op: uuid(), ...body } })
      return true
    } catch (error) {
      if (error instanceof RefusedError && error.status === 409) {
        // Not as things stand by now: they are shown, and where it was sent from may be gone.
        overtaken.value = faultsOf(error).map(({ reason }) => reason)
        view.value = await api<OrdersView>(asked()).catch(() => view.value)
      } else faults.value = faultsOf(error)
      return false
    }
  }
  const fault = (what: string, path: string): string | undefined => (sender.value === what ? faultAt(faults.value, path) : undefined)
  return { view, overtaken, load, send, fault }
}
export type Orders = ReturnType<typeof useOrders>

/** What a line is for: `mail launch, output bearing end play`, `the drawer`. */
export const forWords = ({ check }: WantedLine): string =>
  check === null ? 'the drawer' : [check.unit, check.title, check.place].filter(Boolean).join(', ')
/** How a size is called on a list: `4 thou`, with its letter or colour. */
export const sizeName = (lot: Pick<StockLot, 'mark' | 'colour'>, size: string): string =>
  [size, lot.mark, lot.colour].filter(Boolean).join(', ')
