import { isPieces, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** Which measured pieces are taken together; the newest choice counts. */
export const set: Way = {
  id: 'set',
  title: 'Pieces taken together',
  entry: 'pieces',
  gauge: null,
  scale: 'size',
  again: 'next',
  hint: 'Taken under Choose.',
  answer(readings) {
    const last = unvoided(readings.filter(isPieces)).at(-1)
    return last ? { ...NO_ANSWER, taken: last.pieces } : NO_ANSWER
  },
}
