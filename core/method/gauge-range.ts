import { formatFigure } from '../quantity/figure'
import { unitOfGauge } from '../quantity/format-length'
import type { Finding } from '../reading/gates'
import type { Shows } from '../quantity/question'
import { isListOfSizes, readableStep, type Gauge } from '../reading/gauge'
import { unvoided, type FigureReading } from '../reading/reading'

/** A sentence where a size is outside the range of its gauge; null: it is inside, or the range is not known. */
export function outOfRange(size: number, { range, unit, name }: Gauge): string | null {
  const own = unitOfGauge(unit, 'size')
  const show = (value: number) => formatFigure(value, own, { trim: true })
  return range && (size < range.low || size > range.high)
    ? `${formatFigure(size, own, { unit: true })} is outside the range of ${name} (${show(range.low)} – ${show(range.high)}).`
    : null
}

/** What a gauge can show of a length, nm; a dial as far to either side. Where its range is not known: anything as fine as its step. */
export function shownBy(gauge: Gauge): Shows {
  const { kind, sizes, range, graduation } = gauge
  if (isListOfSizes(kind) && sizes.length > 0)
    return {
      low: Math.min(...sizes),
      // Leaves are stacked, a strip is not.
      high: kind === 'feeler-set' ? sizes.reduce((sum, size) => sum + size, 0) : Math.max(...sizes),
      step: graduation,
    }
  const step = readableStep(gauge)
  if (kind === 'dial-indicator') return { low: -(range?.high ?? Infinity), high: range?.high ?? Infinity, step }
  // Of a bore gauge the range is that of the bores it reaches, not of what its dial shows.
  return kind === 'bore-gauge' || !range ? { low: -Infinity, high: Infinity, step } : { low: range.low, high: range.high, step }
}

/** A size outside the range of the gauge it was read with is a slip of the pen, or another gauge. */
export const rangeFinding = (figures: readonly FigureReading[], gauge: Gauge): Finding[] =>
  unvoided(figures).flatMap((reading): Finding[] => {
    const words = outOfRange(reading.figure, gauge)
    return words === null ? [] : [{ gate: 'size', level: 'fail', repeatId: reading.id, words }]
  })
