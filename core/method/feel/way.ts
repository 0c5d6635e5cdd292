import { stated } from '../../reading/estimate'
import { isRange, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** A play judged by hand, as the range it was judged in: a judgement, never a measurement. The newest counts. */
export const feel: Way = {
  id: 'feel',
  title: 'By hand',
  entry: 'range',
  gauge: null,
  scale: 'play',
  again: 'next',
  hint: 'Type the range the hand judged: 15..20. None felt is 0..2, or what you could have missed.',
  answer(readings) {
    const last = unvoided(readings.filter(isRange)).at(-1)
    if (!last) return NO_ANSWER
    return {
      estimate: stated((last.low + last.high) / 2, [
        {
          source: 'resolution',
          words: 'Range of the judgement, (high − low)/√12',
          u: (last.high - last.low) / Math.sqrt(12),
          nu: Infinity,
          shared: false,
          assumed: true,
        },
      ]),
      findings: [{ gate: 'feel', level: 'note', words: 'Judged by hand: provisional until a gauge has been there.' }],
      word: null,
    }
  },
}
