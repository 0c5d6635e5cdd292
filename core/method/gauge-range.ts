import { formatFigure } from '../quantity/figure'
import { unitOfGauge } from '../quantity/format-length'
import type { Finding } from '../reading/gates'
import type { Gauge } from '../reading/gauge'
import { unvoided, type FigureReading } from '../reading/reading'

/** A sentence where a size is outside the range of its gauge; null: it is inside, or the range is not known. */
export function outOfRange(size: number, { range, unit, name }: Gauge): string | null {
  const own = unitOfGauge(unit, 'size')
  const show = (value: number) => formatFigure(value, own, { trim: true })
  return range && (size < range.low || size > range.high)
    ? `${formatFigure(size, own, { unit: true })} is outside the range of ${name} (${show(range.low)} – ${show(range.high)}).`
    : null
}

/** A size outside the range of the gauge it was read with is a slip of the pen, or another gauge. */
export const rangeFinding = (figures: readonly FigureReading[], gauge: Gauge): Finding[] =>
  unvoided(figures).flatMap((reading): Finding[] => {
    const words = outOfRange(reading.figure, gauge)
    return words === null ? [] : [{ gate: 'size', level: 'fail', repeatId: reading.id, words }]
  })
