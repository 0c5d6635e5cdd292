import { estimateFigure } from '../../reading/estimate'
import { isFigure, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** What a dial shows at a mark of something that turns under it, or that it turns in. Read again, the newest counts. */
export const atMark: Way = {
  id: 'at-mark',
  title: 'Dial indicator, mark by mark',
  entry: 'figure',
  gauge: 'dial-indicator',
  scale: 'play',
  again: 'next',
  newest: true,
  hint: 'Zero at the first mark, turn on to the next, hands off: type what it shows, with its sign. At the end the first mark again.',
  answer(readings, { gauge, pooled }) {
    const last = unvoided(readings.filter(isFigure)).at(-1)
    return !gauge || !last ? NO_ANSWER : { estimate: estimateFigure([last], gauge, 1, { pooled }), findings: [], word: null }
  },
}
