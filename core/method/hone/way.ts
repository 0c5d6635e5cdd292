import { boreGauge } from '../bore-gauge/way'
import { answerSingles } from '../figures'
import type { Way } from '../way'

/** A log of honing: what the bore gauge shows after each pass, the stone it was worked with, and how warm the bore was. */
export const hone: Way = {
  id: 'hone',
  title: 'Bore gauge, between passes',
  entry: 'pass',
  gauge: 'bore-gauge',
  scale: 'play',
  again: 'another',
  hint: 'After each pass: what the dial shows at the reversal, with its sign, and the temperature of the bore.',
  answer: (readings, context) => answerSingles(readings, context, 2),
  suited: boreGauge.suited!,
}
