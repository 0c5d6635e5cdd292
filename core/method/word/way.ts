import { isWord, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** An answer in a word: the shaft turns freely, or it locks. The newest counts. */
export const word: Way = {
  id: 'word',
  title: 'Seen or felt',
  entry: 'word',
  gauge: null,
  scale: 'play',
  again: 'next',
  hint: 'Choose what you found.',
  answer(readings) {
    const last = unvoided(readings.filter(isWord)).at(-1)
    return last ? { ...NO_ANSWER, word: last.word } : NO_ANSWER
  },
}
