import type { Answers, HandWord } from '../contract'

/**
 * What was said by hand at points, of a figure read at another.
 * @param found  what the words come to; null: nothing that speaks against a figure
 */
export function handWord(
  answers: Answers,
  points: readonly string[],
  read: string,
  found: Pick<HandWord, 'state' | 'words'> | null,
): { readonly hand?: HandWord } {
  const said = points.filter(point => answers.of(point).word !== null && answers.stale(point) === null)
  if (!found || said.length === 0) return {}
  return { hand: { ...found, points: said, before: said.every(point => answers.before(point, read)) } }
}
