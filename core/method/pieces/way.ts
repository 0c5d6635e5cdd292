import { answerSingles } from '../figures'
import { rangeFinding } from '../gauge-range'
import { micrometer } from '../micrometer/way'
import type { Way } from '../way'

/** Pieces by micrometer, one figure each: the rollers of a bag. None is averaged with another. */
export const pieces: Way = {
  id: 'pieces',
  title: 'Pieces by micrometer',
  entry: 'figure',
  gauge: 'micrometer',
  scale: 'size',
  again: 'another',
  hint: 'One piece after the other, each with its own figure, in the order they lie on the bench.',
  answer: (readings, context) => answerSingles(readings, context, 1, rangeFinding),
  likely: micrometer.likely!,
}
