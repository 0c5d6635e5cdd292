import { answerFigures } from '../figures'
import { rangeFinding } from '../gauge-range'
import type { BudgetLine } from '../../reading/budget'
import type { Jaws, Way } from '../way'

/**
 * A size by calipers. Each pair of jaws, and the rod, has a zero of its own: it cancels in the difference of two sizes taken with the same
 * ones, and not in that of a bore and a pin. The error of the scale stays.
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
    const lines = answer.estimate.lines.flatMap(line => (line.source === 'gauge-error' ? errorsOf(line, context.jaws) : [line]))
    return { ...answer, estimate: { ...answer.estimate, lines } }
  },
}

/** The permissible error, half its variance that of the zero and half that of the scale (common practice). */
function errorsOf({ carrier, ...line }: BudgetLine, jaws: Jaws | null): BudgetLine[] {
  const half = { ...line, u: line.u / Math.SQRT2 }
  const zero = { ...half, words: 'Zero of these jaws, (a/√3)/√2' }
  return [{ ...half, words: 'Error of the scale, (a/√3)/√2' }, jaws === null ? zero : { ...zero, carrier: `${carrier}, ${jaws}` }]
}
