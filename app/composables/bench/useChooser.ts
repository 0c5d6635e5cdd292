import type { ChoiceRequest } from '#core/choice/question/question'
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import type { OrderPlan } from '#core/choice/answer/order-plan'

/** Asks a worker about a request beside the page; always the answer to the newest question. */
function useWorker<Answer>(
  worker: Worker,
  question: Ref<Record<string, unknown> | null>,
  answerOf: (data: Record<string, unknown>) => Answer,
) {
  const answer = shallowRef<Answer | null>(null)
  const busy = ref(false)
  let newest = 0
  worker.addEventListener('message', ({ data }: MessageEvent<Record<string, unknown>>) => {
    if (data.id !== newest) return
    answer.value = answerOf(data)
    busy.value = false
  })
  // Reactive proxies cannot be posted: the request goes over as plain data, and only when it really changed.
  watch(
    () => (question.value ? JSON.stringify(question.value, infinities) : null),
    text => {
      newest++
      busy.value = text !== null
      if (text === null) answer.value = null
      else worker.postMessage({ id: newest, ...(JSON.parse(text, revive) as object) })
    },
    { immediate: true },
  )
  onBeforeUnmount(() => worker.terminate())
  return { answer, busy }
}

/** The best packs for a request. */
export function useChooser(request: Ref<ChoiceRequest | null>) {
  const { answer, busy } = useWorker(
    new Worker(new URL('../../workers/chooser.worker.ts', import.meta.url), { type: 'module' }),
    computed(() => request.value && { request: request.value }),
    data => data.choice as PackChoice,
  )
  return { choice: answer, busy }
}

/** What to order for a request, so that the chance of reaching the limits is at least `wanted`. */
export function useOrderPlan(request: Ref<ChoiceRequest | null>, wanted: Ref<number>) {
  const { answer, busy } = useWorker(
    new Worker(new URL('../../workers/order.worker.ts', import.meta.url), { type: 'module' }),
    computed(() => request.value && { request: request.value, wanted: wanted.value }),
    data => data.plan as OrderPlan | null,
  )
  return { plan: answer, busy }
}

const infinities = (_key: string, value: unknown) => (value === Infinity ? '∞' : value)
const revive = (_key: string, value: unknown) => (value === '∞' ? Infinity : value)
