import type { CheckKind, KindGroup } from './contract'
import { checkKinds } from './registry'

/** The parts of a machine checks are looked for under, in the order of a list. */
export const KIND_GROUPS: readonly { readonly id: KindGroup; readonly title: string }[] = [
  { id: 'engine', title: 'Engine' },
  { id: 'gearbox', title: 'Gearbox' },
  { id: 'driveline', title: 'Driveline, clutch' },
  { id: 'wheels', title: 'Wheels, steering' },
  { id: 'any', title: 'Any bore or shaft' },
]

const wordsOf = (text: string): readonly string[] => text.toLowerCase().match(/[\p{L}\d]+/gu) ?? []

/** Where each kind is found, the best place first: in its title, by a word of its own, in what it is about. */
const places = checkKinds.map(kind => ({
  kind,
  title: wordsOf(kind.title),
  by: kind.by.map(wordsOf),
  about: wordsOf(kind.about),
}))

/**
 * Kinds that are found by a part, a symptom or a word: every word that is typed begins one of theirs. The likeliest first: all in its title,
 * then all in one of its own words, then anywhere.
 * @returns all of them, in their order, where nothing is typed
 */
export function kindsFound(text: string): readonly CheckKind[] {
  const asked = wordsOf(text)
  if (asked.length === 0) return checkKinds
  const all = (words: readonly string[]) => asked.every(wanted => words.some(word => word.startsWith(wanted)))
  return places
    .map(({ kind, title, by, about }) => ({
      kind,
      rank: all(title) ? 3 : by.some(all) ? 2 : all([...title, ...by.flat(), ...about]) ? 1 : 0,
    }))
    .filter(({ rank }) => rank > 0)
    .sort((a, b) => b.rank - a.rank)
    .map(({ kind }) => kind)
}
