import { reactive, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { Fault } from '#shared/types'
import { RefusedError, faultAt, faultsOf } from './useApi'

/** What a write, and the thing it makes, are called: the same until it is done. */
export interface Names {
  readonly op: string
  readonly id: string
}
const isAt = (fault: Fault, path: string): boolean => fault.path === path || (path !== '' && fault.path.startsWith(`${path}.`))
const freshNames = (): Names => ({ op: uuid(), id: uuid() })

/**
 * A form that stores once. What it sends has its names from when the form opened, and new ones after each success: sent again, because
 * nobody answered, it is the same write. While it is on its way it is not sent again. What is said against it stands at its field, or, where
 * the form has none for it, under all of them; nothing typed is lost.
 */
export function useForm() {
  const busy = ref(false)
  const faults = ref<readonly Fault[]>([])
  /** what was changed elsewhere meanwhile */
  const behind = ref<readonly string[]>([])
  /** Fields that say their own fault: those that were asked for one since the last answer. */
  let shown = new Set<string>()
  let names = freshNames()

  function refuse(list: readonly Fault[]): void {
    shown = new Set()
    faults.value = list
    behind.value = []
  }

  /**
   * @param then  what is done with the answer; until that is over, as another page comes, nothing more is sent
   * @param otherwise  takes what went wrong, where it is said elsewhere
   * @returns whether it was done; not, where it is on its way already
   */
  async function submit<Answer>(
    send: (names: Names) => Promise<Answer>,
    then: (answer: Answer) => unknown,
    otherwise: (error: unknown) => boolean = () => false,
  ): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    refuse([])
    try {
      const answer = await send(names)
      names = freshNames()
      await then(answer)
      return true
    } catch (error) {
      if (otherwise(error)) return false
      if (error instanceof RefusedError && error.refusal.changed) behind.value = error.refusal.changed
      else if (error instanceof RefusedError && faultAt(error.refusal.faults, 'op') !== undefined) {
        // It had landed while nobody answered, and was changed since: what is sent next is another one.
        names = freshNames()
        refuse([{ path: '', reason: 'What was sent before was stored after all. Look at it before you send this as another one.' }])
      } else refuse(faultsOf(error))
      return false
    } finally {
      busy.value = false
    }
  }

  /** The sentence for a field, or for a part of it. */
  function fault(path: string): string | undefined {
    shown.add(path)
    return faults.value.find(one => isAt(one, path))?.reason
  }

  /**
   * What is said of no field that shows it, in one; asked for below the fields.
   * @param within  what a part of the form shows by itself
   */
  const rest = (...within: readonly string[]): string | null =>
    faults.value
      .filter(one => ![...shown, ...within].some(path => isAt(one, path)))
      .map(({ reason }) => reason)
      .join(' ') || null

  return reactive({ busy, faults, behind, submit, refuse, fault, rest })
}
