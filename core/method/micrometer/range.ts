import { formatLength } from '../../quantity/format-length'
import type { Finding } from '../../reading/gates'
import type { Gauge } from '../../reading/gauge'
import { unvoided, type FigureReading } from '../../reading/reading'

/** A size outside the range of the gauge it was read with is a slip of the pen, or another gauge. */
export function rangeFinding(figures: readonly FigureReading[], gauge: Gauge): Finding[] {
  const { range } = gauge
  if (!range) return []
  const show = (value: number) => formatLength(value, gauge.unit, { trim: true })
  return unvoided(figures)
    .filter(({ figure }) => figure < range.low || figure > range.high)
    .map((reading): Finding => ({
      gate: 'size',
      level: 'fail',
      repeatId: reading.id,
      words: `${formatLength(reading.figure, gauge.unit, { unit: true })} is outside the range of ${gauge.name} (${show(range.low)} – ${show(range.high)}).`,
    }))
}
