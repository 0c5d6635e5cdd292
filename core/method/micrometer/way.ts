import { estimateFigure } from '../../reading/estimate'
import { gateFigures } from '../../reading/gates'
import { readableStep } from '../../reading/gauge'
import { isFigure } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'
import { rangeFinding } from './range'

/** An outside size by micrometer. One reading a place is the habit; more are averaged. */
export const micrometer: Way = {
  id: 'micrometer', title: 'Outside micrometer', entry: 'figure', gauge: 'micrometer', scale: 'size',
  hint: 'Try the micrometer on its standard first. Type the size it reads.',
  answer(readings, { gauge, band, pooled }) {
    const figures = readings.filter(isFigure)
    if (!gauge || figures.length === 0) return NO_ANSWER
    return {
      estimate: estimateFigure(figures, gauge, 1, { pooled }),
      findings: [...rangeFinding(figures, gauge), ...gateFigures(figures, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit })],
      word: null,
    }
  },
}
