import { isWord, unvoided, type Reading } from '../reading/reading'
import { NO_ANSWER, type PointAnswer } from './way'

/** What is said of a movement that is none. Readings too: zero or less, kept and shown, never reckoned with as a figure. */
export const ZERO_WORDS = [
  { value: 'none-felt', label: 'none felt', said: /^(none( felt)?|no play|nothing( felt)?|zero felt)$/, words: 'no play is felt' },
  { value: 'binds', label: 'binds', said: /^(it )?(binds|binding|locks|locked|tight|stuck)$/, words: 'it binds' },
] as const

/** The word that was typed where a figure was asked for; null: it is none of them. */
export const zeroWord = (text: string): string | null =>
  ZERO_WORDS.find(({ said }) => said.test(text.trim().toLowerCase().replace(/\s+/g, ' ')))?.value ?? null

/** What the newest word of a movement comes to, if nothing was read since it; null: the figures count. */
export function saidZero(readings: readonly Reading[]): PointAnswer | null {
  const last = unvoided(readings).at(-1)
  const word = last && isWord(last) ? ZERO_WORDS.find(({ value }) => value === last.word) : undefined
  return word ? { ...NO_ANSWER, word: word.value, atMost: { value: 0, words: word.words } } : null
}
