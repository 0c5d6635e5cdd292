import { answerFigures } from '../figures'
import type { Way } from '../way'

/** What a bore gauge shows in the bore, zeroed in a master: a deviation, signed as the dial has it. The kind makes a bore of it. */
export const boreGauge: Way = {
  id: 'bore-gauge',
  title: 'Bore gauge',
  entry: 'figure',
  gauge: 'bore-gauge',
  scale: 'play',
  again: 'next',
  hint: 'Zero in the master, rock through the bore, type what the dial shows at the reversal, with its sign.',
  answer: (readings, context) => answerFigures(readings, context, 2),
}
