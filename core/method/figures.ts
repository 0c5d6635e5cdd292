import { estimateFigure } from '../reading/estimate'
import { gateFigures, type Finding } from '../reading/gates'
import { readableStep, type Gauge } from '../reading/gauge'
import { isFigure, type FigureReading, type Reading } from '../reading/reading'
import { NO_ANSWER, type PointAnswer, type WayContext } from './way'

/**
 * What single figures taken at one point come to.
 * @param ends  scale readings in a figure: 1 for a size, 2 where a zero was read as well
 * @param more  what else this way looks at
 */
export function answerFigures(readings: readonly Reading[], { gauge, band, pooled }: WayContext, ends: 1 | 2, more: (figures: readonly FigureReading[], gauge: Gauge) => Finding[] = () => []): PointAnswer {
  const figures = readings.filter(isFigure)
  if (!gauge || figures.length === 0) return NO_ANSWER
  return {
    estimate: estimateFigure(figures, gauge, ends, { pooled }),
    findings: [...more(figures, gauge), ...gateFigures(figures, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit })],
    word: null,
  }
}
