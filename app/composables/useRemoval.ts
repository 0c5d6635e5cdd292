import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, faultsOf } from './useApi'

interface Removed {
  readonly what: string
  readonly path: string
  /** as it is once it is gone */
  readonly version: number
}

/** Taking away what was entered by mistake, with the way back. @param done  given the server's answer */
export function useRemoval<Answer>(done: (answer: Answer) => void) {
  const removed = ref<Removed | null>(null)
  /** why it was not done */
  const refusal = ref<string | null>(null)

  async function send(path: string, version: number, gone: boolean): Promise<boolean> {
    refusal.value = null
    try {
      done(await api<Answer>(`${path}/removal`, { body: { op: uuid(), version, removed: gone } }))
      return true
    } catch (error) {
      refusal.value = faultsOf(error)
        .map(fault => fault.reason)
        .join(' ')
      return false
    }
  }
  /** @param version  that was seen */
  async function remove(what: string, path: string, version: number): Promise<void> {
    if (await send(path, version, true)) removed.value = { what, path, version: version + 1 }
  }
  async function undo(): Promise<void> {
    const last = removed.value
    if (last && (await send(last.path, last.version, false))) removed.value = null
  }
  return { removed, refusal, remove, undo }
}
