import { estimateFigure } from '../../reading/estimate'
import { gateFigures } from '../../reading/gates'
import { readableStep } from '../../reading/gauge'
import { isFigure } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** What a bore gauge shows in the bore, zeroed in a master: a deviation, signed as the dial has it. The kind makes a bore of it. */
export const boreGauge: Way = {
  id: 'bore-gauge', title: 'Bore gauge', entry: 'figure', gauge: 'bore-gauge', scale: 'play',
  hint: 'Zero in the master, rock through the bore, type what the dial shows at the reversal, with its sign.',
  answer(readings, { gauge, band, pooled }) {
    const figures = readings.filter(isFigure)
    if (!gauge || figures.length === 0) return NO_ANSWER
    return {
      estimate: estimateFigure(figures, gauge, 2, { pooled }),
      findings: gateFigures(figures, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit }),
      word: null,
    }
  },
}
