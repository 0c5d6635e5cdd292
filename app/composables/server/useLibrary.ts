import { offeredLimits, type LibraryLimit } from '#core/check/library'
import type { ResultKind } from '#core/check/contract'
import { describeLimits, SOURCE_NAME } from '#core/verdict/limits'
import { allOf } from './useApi'

/** The shop’s library of limits, fetched once a view; without it limits are typed. */
export function useLibrary() {
  const entries = shallowRef<readonly LibraryLimit[]>([])
  const load = async (): Promise<void> => {
    entries.value = await allOf<LibraryLimit>('/api/limits').catch(() => [])
  }
  const offered = (kind: string, type: string, results: readonly ResultKind[]) => offeredLimits(entries.value, kind, type, results)
  return { entries, load, offered }
}

/** `Reduction box manual, p. 4-15, rev. C`. */
export const sourceWords = ({ set: { source } }: Pick<LibraryLimit, 'set'>): string =>
  [source.text || SOURCE_NAME[source.kind], source.page && `p. ${source.page}`, source.revision && `rev. ${source.revision}`, source.date]
    .filter(Boolean)
    .join(', ')
/** `Input shaft end play: 2 – 4 thou (Reduction box manual, p. 4-15)`. */
export const entryWords = (entry: LibraryLimit): string => `${entry.name}: ${describeLimits(entry.set)} (${sourceWords(entry)})`
