import { computed, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { Fault } from '#shared/types'
import type { CheckCommand, CheckRequest, Made } from '#shared/writes'
import { useBench } from '~/stores/bench'
import { RefusedError, faultsOf } from '../server/useApi'

interface Sent {
  /** what it says, whatever it and what it makes are called */
  readonly what: string
  readonly op: string
  readonly made: Made
  onItsWay: boolean
}

/**
 * Writes to the check on the bench that need the server's answer, and what it says against them. The same given once more while it is on
 * its way is not sent again; after nobody answered it is the same write, under the same names.
 */
export function useCommand() {
  const bench = useBench()
  const busy = ref(false)
  const faults = ref<readonly Fault[]>([])
  /** for places without a field of their own to show it at */
  const said = computed(() => faults.value.map(fault => fault.reason).join(' ') || null)
  /** The newest, until it is answered: with another one after it, the same is meant anew. */
  let newest: Sent | null = null

  const command: CheckCommand = async (path, body) => {
    const of = (made: Made) => (typeof body === 'function' ? body(made) : body)
    const what = JSON.stringify([path, of({ id: '', at: '' })])
    const again = newest?.what === what ? newest : null
    if (again?.onItsWay) return false
    const sent = again ?? { what, op: uuid(), made: { id: uuid(), at: new Date().toISOString() }, onItsWay: true }
    sent.onItsWay = true
    newest = sent
    const over = () => {
      if (newest === sent) newest = null
    }
    busy.value = true
    faults.value = []
    try {
      await bench.command({ path, body: of(sent.made) } as CheckRequest, sent.op)
      over()
      return true
    } catch (error) {
      if (error instanceof RefusedError) over()
      faults.value = faultsOf(error)
      return false
    } finally {
      sent.onItsWay = false
      busy.value = false
    }
  }
  return { busy, faults, said, command }
}
