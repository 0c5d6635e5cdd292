import { useBroadcastChannel, useIntervalFn } from '@vueuse/core'
import { watch, type Ref, type ShallowRef } from 'vue'
import type { CheckView } from '#shared/types'
import { api } from '~/composables/server/useApi'
import type { Connection } from './sending'

/** How often an open check asks whether another machine was faster. */
const LOOK_MS = 10_000

interface News {
  readonly checkId: string
  readonly version: number
}

/**
 * Who else writes to the check in `view`: another tab says it by itself, another machine is asked about while the check is on the screen.
 * Either is said at once and not only at the next write.
 */
export function useOthers(
  view: ShallowRef<CheckView | null>,
  connection: Ref<Connection>,
  setStale: (what: readonly string[]) => void,
  isGone: (id: string, error: unknown) => Promise<boolean>,
) {
  /** Only a check on the screen is asked about. */
  let shown = false

  const news = useBroadcastChannel<News, News>({ name: 'finitum.checks' })
  watch(news.data, message => {
    if (message && view.value && message.checkId === view.value.document.id && message.version > view.value.version)
      setStale(['Changed in another tab'])
  })
  useIntervalFn(() => {
    if (shown && connection.value === 'saved' && view.value && document.visibilityState === 'visible') void look(view.value)
  }, LOOK_MS)

  async function look(seen: CheckView): Promise<void> {
    const { id } = seen.document
    const newer = await api<CheckView>(`/api/checks/${id}`).catch(async (error: unknown) => {
      await isGone(id, error)
      return null
    })
    // What was written from here meanwhile is no news.
    if (newer && view.value === seen && newer.version > seen.version && connection.value === 'saved')
      setStale(['Changed on another machine'])
  }

  return {
    tell: (written: CheckView) => news.post({ checkId: written.document.id, version: written.version }),
    watchFor: (onScreen: boolean) => {
      shown = onScreen
    },
  }
}
