import { CancelledError, api, faultsOf } from '~/composables/server/useApi'
import type { Fault, MadeFile, Progress } from '#shared/types'

/** Nothing is said of a file that is there at once. */
const SAID_AFTER_MS = 400

/** A file that takes its time to make: how far it is, what stands against it, and the way to break it off. */
export function useFileOut() {
  /** the address of the file that is being made */
  const making = ref<string | null>(null)
  const slow = ref(false)
  const progress = ref<Progress | null>(null)
  const faults = ref<readonly Fault[]>([])
  let control = new AbortController()

  /** Has it made and takes it away. @param body  sent along; without one it is only asked for */
  async function take(path: string, body?: object): Promise<void> {
    if (making.value !== null) return
    control = new AbortController()
    making.value = path
    progress.value = null
    faults.value = []
    const said = setTimeout(() => (slow.value = true), SAID_AFTER_MS)
    try {
      const file = await api<MadeFile>(path, { body, signal: control.signal, heard: heard => (progress.value = heard) })
      Object.assign(document.createElement('a'), { href: file.path, download: file.name }).click()
    } catch (error) {
      if (!(error instanceof CancelledError)) faults.value = faultsOf(error)
    } finally {
      clearTimeout(said)
      slow.value = false
      making.value = null
    }
  }
  onBeforeUnmount(() => control.abort())
  return reactive({ making, slow, progress, faults, take, cancel: () => control.abort() })
}
