import type { MeasuringPoint } from '../check/contract'
import { gaugeNeeds, type GaugeNeed } from '../check/evaluate/gauge-needs'
import { systemOf } from '../quantity/figure'
import { formatLength, unitFor } from '../quantity/format-length'
import { nm, ZERO } from '../quantity/length'
import { GAUGE_NAME, PLAIN_GAUGE, type Gauge, type GaugeKind } from '../reading/gauge'
import type { Line } from './line'

/** Smallest divisions that stand in, by system. Common practice: a dial of one thou or 0.01 mm, a micrometer of a tenth or 0.001 mm. */
const STANDS_IN: Readonly<Partial<Record<GaugeKind, { readonly inch: number; readonly metric: number }>>> = {
  'dial-indicator': { inch: 25_400, metric: 10_000 },
  'micrometer': { inch: 2_540, metric: 1_000 },
  'bore-gauge': { inch: 2_540, metric: 1_000 },
  'calipers': { inch: 25_400, metric: 10_000 },
}

/** The gauge that stands in for a need: a needle read to half a division, wrong by one at most. */
function standIn({ kind, key }: GaugeNeed, { unit, tool }: Line): Gauge | null {
  const division = STANDS_IN[kind]
  if (!division) return null
  const system = systemOf(unit)
  const graduation = nm((kind === 'dial-indicator' || kind === 'bore-gauge' ? tool.graduation : null) ?? division[system])
  return {
    id: `line ${key}`,
    name: `${kind === 'micrometer' ? 'Micrometer' : GAUGE_NAME[kind]}, ${formatLength(graduation, unitFor(system, 'play'), { unit: true, trim: true })}`,
    kind,
    unit: unitFor(system, kind === 'dial-indicator' || kind === 'bore-gauge' ? 'play' : 'size'),
    graduation,
    readableFraction: 0.5,
    permissibleError: graduation,
    repeatability: nm(graduation / 4),
    hysteresis: ZERO,
    rangePerTurn: null,
    lastCheck: null,
    ...PLAIN_GAUGE,
  }
}

export interface StandIn {
  readonly need: GaugeNeed
  readonly gauge: Gauge
}
/** Gauges for what the points need, as a bench has them, before anybody says which. */
export const standIns = (line: Line, points: readonly MeasuringPoint[]): readonly StandIn[] =>
  gaugeNeeds(points).flatMap(need => {
    const gauge = standIn(need, line)
    return gauge ? [{ need, gauge }] : []
  })

/** What these points are read with, once something is read there. */
export const needsOfRead = (points: readonly MeasuringPoint[], read: readonly string[]): readonly GaugeNeed[] =>
  gaugeNeeds(points.filter(({ id }) => read.includes(id)))
