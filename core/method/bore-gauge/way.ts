import { systemOf } from '../../quantity/figure'
import { answerFigures } from '../figures'
import { outOfRange } from '../gauge-range'
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
  /** One that reaches to the size that is measured, of the check's own system if there is one. */
  suited(of, { near, unit, used }) {
    if (near === null || (used && outOfRange(near, used) === null)) return null
    const others = of.filter(gauge => outOfRange(near, gauge) === null)
    return others.find(gauge => systemOf(gauge.unit) === systemOf(unit)) ?? others[0] ?? null
  },
}
