import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { Fault } from '#shared/types'
import type { AnswerOf, BodyOf } from '#shared/writes'
import { RefusedError, faultsOf, write } from './useApi'

type Kept = 'PATCH /api/jobs/:id' | 'PATCH /api/units/:id'
type Fields<Key extends Kept> = Omit<BodyOf<Key>, 'op' | 'version' | 'who'>

/**
 * Fields of one thing that are kept as they are left, each onto the version that is shown.
 * @param shown  the thing that is changed, as it is shown
 * @param done   given the server’s answer
 */
export function useKept<Key extends Kept>(
  key: Key,
  shown: () => { readonly id: string; readonly version: number },
  done: (answer: AnswerOf<Key>) => void,
) {
  const faults = ref<readonly Fault[]>([])
  /** what was changed elsewhere meanwhile */
  const behind = ref<readonly string[]>([])
  const saved = ref(false)
  // One after the other: a field left in haste goes onto what the one before left.
  let turn: Promise<unknown> = Promise.resolve()
  function keep(fields: Fields<Key>): Promise<void> {
    const op = uuid()
    const mine = turn.then(async () => {
      faults.value = []
      behind.value = []
      saved.value = false
      try {
        const { id, version } = shown()
        done((await write<Kept>(key, { op, version, ...fields }, id)) as AnswerOf<Key>)
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
