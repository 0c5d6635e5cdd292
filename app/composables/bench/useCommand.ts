import { computed, ref } from 'vue'
import type { Fault } from '#shared/types'
import type { CheckCommand, CheckRequest } from '#shared/writes'
import { useBench } from '~/stores/bench'
import { faultsOf } from '../server/useApi'

/** Writes to the check on the bench that need the server's answer, and what it says against them. */
export function useCommand() {
  const bench = useBench()
  const busy = ref(false)
  const faults = ref<readonly Fault[]>([])
  /** for places without a field of their own to show it at */
  const said = computed(() => faults.value.map(fault => fault.reason).join(' ') || null)

  const command: CheckCommand = async (path, body) => {
    busy.value = true
    faults.value = []
    try {
      await bench.command({ path, body } as CheckRequest)
      return true
    } catch (error) {
      faults.value = faultsOf(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, faults, said, command }
}
