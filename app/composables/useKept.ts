import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { Fault } from '#shared/types'
import { RefusedError, api, faultsOf } from './useApi'

/**
 * Fields of one thing that are kept as they are left, each onto the version that is shown.
 * @param path     where it is changed
 * @param version  that is shown
 * @param done     given the server’s answer
 */
export function useKept<Answer>(path: () => string, version: () => number, done: (answer: Answer) => void) {
  const faults = ref<readonly Fault[]>([])
  /** what was changed elsewhere meanwhile */
  const behind = ref<readonly string[]>([])
  const saved = ref(false)
  // One after the other: a field left in haste goes onto what the one before left.
  let turn: Promise<unknown> = Promise.resolve()
  function keep(fields: Readonly<Record<string, unknown>>): Promise<void> {
    const mine = turn.then(async () => {
      faults.value = []
      behind.value = []
      saved.value = false
      try {
        done(await api<Answer>(path(), { method: 'PATCH', body: { op: uuid(), version: version(), ...fields } }))
        saved.value = true
      } catch (error) {
        if (error instanceof RefusedError && error.refusal.changed) behind.value = error.refusal.changed
        else faults.value = faultsOf(error)
      }
    })
    turn = mine
    return mine
  }
  return { faults, behind, saved, keep }
}
