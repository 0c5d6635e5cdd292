import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { Fault, StockLot, StockView } from '#shared/types'
import { RefusedError, api, faultAt, faultsOf } from './useApi'

/** Writes to one size of the drawer, and what the server says against them, by the form that sent it. */
export function useLotCommand(lot: () => StockLot, changed: (view: StockView) => void) {
  const faults = ref<readonly Fault[]>([])
  const sender = ref('')
  /** what this page has not seen of the size */
  const stale = ref<readonly string[]>([])

  /** @returns whether it was done */
  async function send(what: string, method: string, path: string, body: Record<string, unknown> = {}): Promise<boolean> {
    faults.value = []
    stale.value = []
    sender.value = what
    const { id, version } = lot()
    try {
      changed(await api<StockView>(`/api/stock/lots/${id}${path}`, { method, body: { op: uuid(), version, ...body } }))
      return true
    } catch (error) {
      if (error instanceof RefusedError && error.refusal.changed) stale.value = error.refusal.changed
      else faults.value = faultsOf(error)
      return false
    }
  }
  /** Says it at a field of a form without asking the server. */
  function refuse(what: string, path: string, reason: string): void {
    sender.value = what
    faults.value = [{ path, reason }]
  }
  const fault = (what: string, path: string): string | undefined =>
    sender.value === what ? (faultAt(faults.value, path) ?? faultAt(faults.value, '')) : undefined

  return { send, refuse, fault, stale }
}
