import type { StockLot } from '#core/shop/shop'
import { ref, shallowRef, toRef, type Ref } from 'vue'
import type { OrdersView, WantedLine } from '#shared/orders'
import { RefusedError, api, faultAt, faultsOf } from '../server/useApi'
import { useForm, type Names } from '../server/useForm'
import { useTurns } from '../server/useTurns'

/**
 * The order list on the screen, what is written to it, and what the server says against that, by the form that sent it; an order that is
 * picked is there however long it has come.
 */
export function useOrders(picked: Readonly<Ref<string | null>>) {
  const asked = () => (picked.value === null ? '/api/orders' : `/api/orders?${new URLSearchParams({ order: picked.value })}`)
  const view = shallowRef<OrdersView | null>(null)
  const form = useForm()
  const inTurn = useTurns()
  const sender = ref('')
  /** why something was not done, as things stand by now */
  const overtaken = ref<readonly string[]>([])
  const show = (next: OrdersView) => {
    view.value = next
  }

  async function load(): Promise<void> {
    try {
      show(await api<OrdersView>(asked()))
    } catch (error) {
      sender.value = ''
      form.refuse(faultsOf(error))
    }
  }
  /**
   * @param request  given the name of the write, and one for what is made by it: a line, an order, a receipt
   * @returns whether it was done; what was not is told at `what`
   */
  const send = (what: string, request: (names: Names) => Promise<OrdersView>): Promise<boolean> =>
    inTurn(what, async () => {
      overtaken.value = []
      sender.value = what
      const done = await form.submit(request, show, error => {
        // Not as things stand by now: they are shown, and where it was sent from may be gone.
        if (!(error instanceof RefusedError) || error.status !== 409 || faultAt(error.refusal.faults, 'op')) return false
        overtaken.value = faultsOf(error).map(({ reason }) => reason)
        return true
      })
      if (overtaken.value.length > 0) show(await api<OrdersView>(asked()).catch(() => view.value!))
      return done
    })
  const fault = (what: string, path: string): string | undefined => (sender.value === what ? form.fault(path) : undefined)
  /** What is said of no field of that form. */
  const rest = (what: string): string | null => (sender.value === what ? form.rest() : null)
  return { view, overtaken, load, send, fault, rest, busy: toRef(form, 'busy') }
}
export type Orders = ReturnType<typeof useOrders>

/** What a line is for: `mail launch, output bearing end play`, `the drawer`. */
export const forWords = ({ check }: WantedLine): string =>
  check === null ? 'the drawer' : [check.unit, check.title, check.place].filter(Boolean).join(', ')
/** How a size is called on a list: `4 thou`, with its letter or colour. */
export const sizeName = (lot: Pick<StockLot, 'mark' | 'colour'>, size: string): string =>
  [size, lot.mark, lot.colour].filter(Boolean).join(', ')
