import { useIntervalFn } from '@vueuse/core'
import type { Scanned } from '#shared/record'
import { api } from '../server/useApi'

const AGAIN_MS = 5 * 60_000

/** Articles of the drawer that read as a figure: a bearing may be called 6204. Known beforehand, so that no Enter has to wait for them. */
export function useFigureArticles() {
  const known = shallowRef<ReadonlyMap<string, Scanned>>(new Map())
  async function load(): Promise<void> {
    const all = await api<readonly (Scanned & { article: string })[]>('/api/codes/figures').catch(() => null)
    if (all) known.value = new Map(all.map(({ article, ...size }) => [article, size]))
  }
  onMounted(load)
  useIntervalFn(() => void load(), AGAIN_MS)
  return { of: (text: string): Scanned | null => known.value.get(text.trim()) ?? null }
}
