import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { ShellOption } from '#core/check/kinds/bearing-clearance/options'
import type { OptionsAnswer, OptionsQuestion } from '../../workers/shell-options.worker'

/** Works out all places at once beside the page; takes a while, says how far it is, and can be stopped. */
export function useShellOptions() {
  const options = shallowRef<readonly ShellOption[] | null>(null)
  const progress = ref<{ words: string; share: number } | null>(null)
  const failed = ref<string | null>(null)
  let worker: Worker | null = null

  function cancel(): void {
    worker?.terminate()
    worker = null
    progress.value = null
  }
  function start(question: OptionsQuestion): void {
    cancel()
    options.value = null
    failed.value = null
    progress.value = { words: 'Loading the solver', share: 0 }
    worker = new Worker(new URL('../../workers/shell-options.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<OptionsAnswer>) => {
      if ('progress' in data) progress.value = { words: data.progress, share: data.share }
      else {
        if ('options' in data) options.value = data.options
        else failed.value = 'The solver did not answer: try again.'
        cancel()
      }
    })
    worker.addEventListener('error', () => {
      failed.value = 'The solver could not be started in this browser.'
      cancel()
    })
    // Plain data, no reactive proxies.
    worker.postMessage(JSON.parse(JSON.stringify(question)) as OptionsQuestion)
  }
  onBeforeUnmount(cancel)
  return { options, progress, failed, start, cancel }
}
