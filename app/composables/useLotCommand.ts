import { ref, toRef } from 'vue'
import type { StockLot, StockView } from '#shared/types'
import { api } from './useApi'
import { useForm } from './useForm'
import { useTurns } from './useTurns'

/** Writes to one size of the drawer, and what the server says against them, by the form that sent it. */
export function useLotCommand(lot: () => StockLot, changed: (view: StockView) => void) {
  const form = useForm()
  const inTurn = useTurns()
  const sender = ref('')

  /**
   * @param made  whether something is made of it that needs a name of its own: a piece told apart
   * @returns whether it was done
   */
  const send = (what: string, method: string, path: string, body: Record<string, unknown> = {}, made = false): Promise<boolean> =>
    inTurn(what, () => {
      sender.value = what
      return form.submit(({ op, id: name }) => {
        const { id, version } = lot()
        return api<StockView>(`/api/stock/lots/${id}${path}`, {
          method,
          body: { op, version, ...(made ? { id: name } : {}), ...body },
        })
      }, changed)
    })
  /** Says it at a field of a form without asking the server. */
  function refuse(what: string, path: string, reason: string): void {
    sender.value = what
    form.refuse([{ path, reason }])
  }
  const fault = (what: string, path: string): string | undefined =>
    sender.value === what ? (form.fault(path) ?? form.fault('')) : undefined

  /** `stale`: what this page has not seen of the size */
  return { send, refuse, fault, stale: toRef(form, 'behind'), busy: toRef(form, 'busy') }
}
