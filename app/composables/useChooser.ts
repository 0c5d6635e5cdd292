import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { ChoiceRequest } from '#core/check/evaluate-place'
import type { PackChoice } from '#core/pack/chooser/choose'
import type { ChooserAnswer } from '~/workers/chooser.worker'

/** The best packs for a request, worked out beside the page; always the answer to the newest question. */
export function useChooser(request: Ref<ChoiceRequest | null>) {
  const worker = new Worker(new URL('../workers/chooser.worker.ts', import.meta.url), { type: 'module' })
  const choice = shallowRef<PackChoice | null>(null)
  const busy = ref(false)
  let newest = 0

  worker.addEventListener('message', ({ data }: MessageEvent<ChooserAnswer>) => {
    if (data.id !== newest) return
    choice.value = data.choice
    busy.value = false
  })
  // Reactive proxies cannot be posted: the request goes over as plain data, and only when it really changed.
  watch(() => (request.value ? JSON.stringify(request.value, infinities) : null), (text) => {
    newest++
    if (text === null) {
      choice.value = null
      busy.value = false
      return
    }
    busy.value = true
    worker.postMessage({ id: newest, request: JSON.parse(text, revive) as ChoiceRequest })
  }, { immediate: true })
  onBeforeUnmount(() => worker.terminate())
  return { choice, busy }
}

const infinities = (_key: string, value: unknown) => (value === Infinity ? '∞' : value)
const revive = (_key: string, value: unknown) => (value === '∞' ? Infinity : value)
