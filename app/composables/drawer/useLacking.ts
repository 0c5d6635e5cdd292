import { ref, shallowRef } from 'vue'
import type { LackingPlace } from '#core/check/evaluate/lacking'
import type { OrdersView } from '#shared/orders'
import type { CheckView } from '#shared/types'
import type { LackingAnswer, LackingQuestion } from '../../workers/lacking.worker'
import { api } from '../server/useApi'

/** What a place of an open check lacks, with the check as it was looked at. */
export interface Lacking extends LackingPlace {
  readonly check: OrdersView['unserved'][number]
  readonly view: CheckView
}

/** Goes through checks one after the other, beside the page, for what the drawer does not have; it can be broken off. */
export function useLacking() {
  const found = shallowRef<readonly Lacking[]>([])
  const done = ref(0)
  const busy = ref(false)
  let worker: Worker | null = null

  function answerTo(question: LackingQuestion): Promise<LackingAnswer> {
    return new Promise((resolve, reject) => {
      worker!.onmessage = ({ data }: MessageEvent<LackingAnswer>) => resolve(data)
      worker!.onerror = reject
      worker!.postMessage(question)
    })
  }
  async function lookThrough(checks: OrdersView['unserved']): Promise<void> {
    worker = new Worker(new URL('../../workers/lacking.worker.ts', import.meta.url), { type: 'module' })
    found.value = []
    busy.value = true
    for (const [i, check] of checks.entries()) {
      done.value = i
      // A check that is gone, or cannot be worked out, is left out: the next may tell.
      const view = await api<CheckView>(`/api/checks/${check.id}`).catch(() => null)
      if (!busy.value) return
      if (!view) continue
      const { document, lots } = view
      const answer = await answerTo({ id: i, document, lots }).catch(() => null)
      if (answer) found.value = [...found.value, ...answer.places.map(place => ({ ...place, check, view }))]
    }
    cancel()
  }
  function cancel(): void {
    busy.value = false
    worker?.terminate()
    worker = null
  }
  return { found, done, busy, lookThrough, cancel }
}
