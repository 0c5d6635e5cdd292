import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { AnswerOf, RemovalKey } from '#shared/writes'
import { faultsOf, write } from './useApi'

interface Removed {
  readonly what: string
  readonly id: string
  /** as it is once it is gone */
  readonly version: number
}

/** Taking away what was entered by mistake, with the way back. @param done  given the server's answer */
export function useRemoval<Key extends RemovalKey>(key: Key, done: (answer: AnswerOf<Key>) => void) {
  const removed = ref<Removed | null>(null)
  /** why it was not done */
  const refusal = ref<string | null>(null)
  const busy = ref(false)
  /** What each is called: sent again because nobody answered, it is the same write. */
  const ops = new Map<string, string>()

  async function send(id: string, version: number, gone: boolean): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    refusal.value = null
    const what = JSON.stringify([id, version, gone])
    const op = ops.get(what) ?? uuid()
    ops.set(what, op)
    try {
      done((await write<RemovalKey>(key, { op, version, removed: gone }, id)) as AnswerOf<Key>)
      return true
    } catch (error) {
      refusal.value = faultsOf(error)
        .map(fault => fault.reason)
        .join(' ')
      return false
    } finally {
      busy.value = false
    }
  }
  /** @param version  that was seen */
  async function remove(what: string, id: string, version: number): Promise<void> {
    if (await send(id, version, true)) removed.value = { what, id, version: version + 1 }
  }
  async function undo(): Promise<void> {
    const last = removed.value
    if (last && (await send(last.id, last.version, false))) removed.value = null
  }
  return { removed, refusal, remove, undo }
}
