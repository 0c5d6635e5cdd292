import { answerFigures } from '../figures'
import { rangeFinding } from '../gauge-range'
import type { Way } from '../way'

/**
 * A size by calipers, outside or inside jaws. The two pairs of jaws are off by themselves: in the difference of a bore and a pin
 * their errors add and do not cancel.
 */
export const calipers: Way = {
  id: 'calipers',
  title: 'Calipers',
  entry: 'figure',
  gauge: 'calipers',
  scale: 'size',
  again: 'next',
  hint: 'Jaws square across, light thumb, at several places round: type the size.',
  answer(readings, context) {
    const answer = answerFigures(readings, context, 1, rangeFinding)
    if (!answer.estimate) return answer
    const lines = answer.estimate.lines.map(({ carrier: _, ...line }) => line)
    return { ...answer, estimate: { ...answer.estimate, lines } }
  },
}
