import { answerFigures } from '../figures'
import type { Way } from '../way'
import { rangeFinding } from '../gauge-range'

/** An outside size by micrometer. One reading a place is the habit; more are averaged. */
export const micrometer: Way = {
  id: 'micrometer',
  title: 'Micrometer',
  entry: 'figure',
  gauge: 'micrometer',
  scale: 'size',
  again: 'next',
  hint: 'Try the micrometer on its standard first. Type the size it reads.',
  answer: (readings, context) => answerFigures(readings, context, 1, rangeFinding),
  /** Rollers and shims go into the smallest; what is asked for otherwise seldom does. */
  likely: (of, small) => of.find(({ range }) => (range?.low === 0) === small),
}
