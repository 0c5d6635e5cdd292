import { CancelledError, RefusedError, api, faultsOf } from '~/composables/server/useApi'
import type { Fault, Progress } from '#shared/types'

/** A file on its way to the server: how far it is, what is wrong with it, and the way to break it off. */
export function useFileIn<Answer>(type: string) {
  const busy = ref(false)
  const progress = ref<Progress | null>(null)
  const faults = ref<readonly Fault[]>([])
  const cancelled = ref(false)
  const helps = ref<string | null>(null)
  let control = new AbortController()

  /** @returns null when it was refused or broken off, or one is on its way already */
  async function send(path: string, text: string): Promise<Answer | null> {
    if (busy.value) return null
    control = new AbortController()
    busy.value = true
    faults.value = []
    cancelled.value = false
    helps.value = null
    progress.value = null
    try {
      return await api<Answer>(path, { text, type, signal: control.signal, heard: said => (progress.value = said) })
    } catch (error) {
      if (error instanceof CancelledError) cancelled.value = true
      else faults.value = faultsOf(error)
      helps.value = error instanceof RefusedError ? (error.refusal.helps ?? null) : null
      return null
    } finally {
      busy.value = false
    }
  }
  return { busy, progress, faults, cancelled, helps, send, cancel: () => control.abort() }
}
