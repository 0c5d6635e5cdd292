import { ways } from '../../method/ways'
import { ZERO_WORDS } from '../../method/zero-words'
import type { MeasuringPoint, ResultKind } from '../contract'

/** What may be said at a point instead of a figure: a movement is none, or binds; a gap is none. */
export function zeroWordsAt(
  results: readonly Pick<ResultKind, 'id' | 'floored'>[],
  { way, result, noneWord }: Pick<MeasuringPoint, 'way' | 'result' | 'noneWord'>,
): { readonly value: string; readonly label: string }[] {
  if (ways[way].entry === 'word') return []
  if (noneWord !== undefined) return [{ value: ZERO_WORDS[0].value, label: noneWord }]
  return results.some(({ id, floored }) => floored && id === result) ? ZERO_WORDS.map(({ value, label }) => ({ value, label })) : []
}
