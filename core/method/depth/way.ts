import { rangeFinding } from '../gauge-range'
import { isFigure, unvoided } from '../../reading/reading'
import { answerFigures } from '../figures'
import type { Way } from '../way'

/**
 * A depth below a face by calipers, or by their rod over a bar that lies across it. What lies between the gauge and the face the kind
 * asks once: two depths of one difference cancel a bar only where both were taken over it.
 */
export const depth: Way = {
  id: 'depth',
  title: 'Depth, by calipers or depth gauge',
  entry: 'figure',
  gauge: 'calipers',
  scale: 'size',
  again: 'next',
  hint: 'The rod straight down on the seat, the beam flat on the face or the bar: type the depth it reads.',
  answer: (readings, context) => answerFigures(readings, context, 1, rangeFinding),
}

/** The same of something that is set and set again: the newest reading counts, those before are how it got there. */
export const depthNow: Way = {
  ...depth,
  id: 'depth-now',
  newest: true,
  hint: 'Read again after every turn: the newest counts. Type the depth it reads.',
  answer: (readings, context) => answerFigures(unvoided(readings.filter(isFigure)).slice(-1), context, 1, rangeFinding),
}
