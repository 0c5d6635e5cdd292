import { exact, formatFigure } from '../../quantity/figure'
import { estimateFigure, type Estimate, type EstimateOptions } from '../../reading/estimate'
import { gateFigures, type Finding } from '../../reading/gates'
import { readableStep, type Gauge } from '../../reading/gauge'
import { isRange, unvoided, type FigureReading, type RangeReading, type Reading } from '../../reading/reading'
import { rangeFinding } from '../gauge-range'
import { NO_ANSWER, type PointAnswer, type WayContext } from '../way'

/** What keeps it turning counts; what it took to start is kept beside it. */
const whileTurning = (readings: readonly Reading[]): FigureReading[] =>
  readings.filter(isRange).map(({ low, high: _, leaves: __, ...head }) => ({ ...head, figure: low }))

const FEW = 3

/**
 * Readings taken while it turns steadily, both ways round: their mean.
 * @param scale  small units of the answer in one of what the gauge reads
 */
export function answerTurning(readings: readonly Reading[], context: WayContext, scale: number, options: EstimateOptions): PointAnswer {
  const { gauge, band, pooled } = context
  const turning = whileTurning(readings)
  if (!gauge || unvoided(turning).length === 0) return NO_ANSWER
  const estimate: Estimate | null = estimateFigure(turning, gauge, 2, { pooled, scale, ...options })
  const gates = { graduation: gauge.graduation, step: readableStep(gauge), band: band === null ? null : band / scale, unit: gauge.unit }
  return {
    estimate,
    findings: [
      ...rangeFinding(turning, gauge),
      ...gateFigures(turning, gates),
      ...few(unvoided(turning).length),
      ...toStart(readings, gauge),
    ],
    word: null,
  }
}

const few = (count: number): Finding[] =>
  count < FEW
    ? [{ gate: 'few-readings', level: 'note', words: 'Three, both ways round, are better: the drag differs from place to place.' }]
    : []

/** What it took to start is told, and never judged by. */
function toStart(readings: readonly Reading[], gauge: Gauge): Finding[] {
  const started = unvoided(readings.filter(isRange)).filter(({ low, high }: RangeReading) => high > low)
  if (started.length === 0) return []
  const most = exact(Math.max(...started.map(({ high }) => high)))
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `To start it took up to ${formatFigure(most, gauge.unit, { unit: true })}; what keeps it turning counts.`,
    },
  ]
}
