import { checkKind, checkKinds } from '../check/registry'
import type { ChoiceField } from '../check/setup'
import { PHRASES, type Phrase } from './phrases'
import type { Line } from './line'

/**
 * The line with the pieces moving it the next way its kind knows: the words that say so are others, or are put in front.
 * @returns null where nothing of the kind says which way
 */
export function turnedWay(text: string, { kind, setup }: Line): string | null {
  if (kind === null) return null
  const field = checkKind(kind).setupFields.find((one): one is ChoiceField => one.kind === 'choice' && one.sign === true)
  if (!field) return null
  const said = PHRASES.filter(phrase => phrase.kind === kind && phrase.setup?.[field.id] !== undefined)
  const ways = [...new Set(said.map(phrase => phrase.setup![field.id]!))]
  if (ways.length === 0) return null
  const next = ways[(ways.indexOf(setup[field.id] ?? '') + 1) % ways.length]!
  const words = said.find(phrase => phrase.setup![field.id] === next)!.words
  return saidInstead(text, said, words)
}

/** The words in place of the first phrase that is found, or in front. */
function saidInstead(text: string, said: readonly Phrase[], words: string): string {
  // Small words may stand between those of a phrase.
  for (const phrase of said) {
    const found = new RegExp(
      String.raw`(?<!\p{L})${phrase.words.split(' ').join(String.raw`\s+(?:an?\s+|the\s+|of\s+)*`)}s?(?!\p{L})`,
      'iu',
    ).exec(text)
    if (found) return text.replace(found[0], words)
  }
  return `${words} ${text}`
}

/** Other checks the line could be of, each with the line that says so: those its words may mean, or all where none says which. */
export function otherKinds(text: string, { kind, others }: Line): readonly { readonly label: string; readonly line: string }[] {
  const meant = kind === null ? checkKinds : others.map(checkKind)
  return meant.flatMap(({ id, title }) => {
    const own = PHRASES.filter(one => one.kind === kind && !one.detail)
    // The words for the other are there already: those for this one go.
    if (kind !== null) return [{ label: title, line: saidInstead(text, own, '').trim() }]
    // Which kind it is says nothing of which way the pack moves it.
    const phrases = PHRASES.filter(one => one.kind === id && !one.detail)
    const phrase = phrases.find(({ setup }) => setup === undefined) ?? phrases[0]
    return phrase ? [{ label: title, line: `${phrase.words} ${text}` }] : []
  })
}
