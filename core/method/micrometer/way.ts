import { answerFigures } from '../figures'
import type { Way } from '../way'
import { rangeFinding } from '../gauge-range'

/** An outside size by micrometer. One reading a place is the habit; more are averaged. */
export const micrometer: Way = {
  id: 'micrometer',
  title: 'Outside micrometer',
  entry: 'figure',
  gauge: 'micrometer',
  scale: 'size',
  again: 'next',
  hint: 'Try the micrometer on its standard first. Type the size it reads.',
  answer: (readings, context) => answerFigures(readings, context, 1, rangeFinding),
  /** What has a micrometer of its own is small, as rollers are; what is asked for otherwise seldom is. */
  likely: (of, ownTool) => of.find(({ range }) => (range?.low === 0) === ownTool),
}
