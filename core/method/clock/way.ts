import { stated } from '../../reading/estimate'
import { rectangular } from '../../reading/budget'
import { isFigure, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** A mark is set to its place on the clock by eye, to ± 5 degrees: ten minutes. Own figure, in thousandths of a degree. */
const BY_EYE = 5_000

/** Where a mark points, as a place on the clock. Set again, the newest counts. */
export const clock: Way = {
  id: 'clock',
  title: 'Place on the clock',
  entry: 'figure',
  gauge: null,
  scale: 'play',
  again: 'next',
  newest: true,
  hint: 'Where the mark points: 3:42, or degrees clockwise from 12.',
  answer(readings) {
    const last = unvoided(readings.filter(isFigure)).at(-1)
    const line = { source: 'resolution', words: 'Set by eye, 5°/√3', u: rectangular(BY_EYE), nu: Infinity, shared: false } as const
    return last ? { estimate: stated(last.figure, [line]), findings: [], word: null } : NO_ANSWER
  },
}
