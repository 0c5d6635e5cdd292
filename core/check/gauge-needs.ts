import { ways } from '../method/ways'
import { GAUGE_NAME, suits, type Gauge, type GaugeKind } from '../reading/gauge'
import type { MeasuringPoint } from './contract'
import type { CheckDocument } from './document'

/** A gauge a check is read with: one of each kind, and another where some points are read with one of their own. */
export interface GaugeNeed {
  /** the kind, or `kind:tool`: what the check keeps it under */
  readonly key: string
  readonly kind: GaugeKind
  readonly label: string
}

function needOf({ way, tool }: Pick<MeasuringPoint, 'way' | 'tool'>): GaugeNeed | null {
  const kind = ways[way].gauge
  if (kind === null) return null
  return tool === undefined
    ? { key: kind, kind, label: GAUGE_NAME[kind] }
    : { key: `${kind}:${tool}`, kind, label: `${GAUGE_NAME[kind]}, ${tool}` }
}

/** What these points are read with, each once, in the order of the points. */
export const gaugeNeeds = (points: readonly Pick<MeasuringPoint, 'way' | 'tool'>[]): GaugeNeed[] => [
  ...new Map(points.flatMap(point => needOf(point) ?? []).map(need => [need.key, need])).values(),
]

/**
 * The likely one of several: what has a micrometer of its own is small, as rollers are; what is asked for otherwise seldom is. Of
 * strips the finest, while no limits ask for another.
 */
export function likelyGauge({ key, kind }: GaugeNeed, of: readonly Gauge[]): Gauge | undefined {
  const finest = ({ sizes }: Gauge) => Math.min(...sizes)
  if (kind === 'plastic-strip') return [...of].sort((a, b) => finest(a) - finest(b))[0]
  const small = ({ range }: Gauge) => range?.low === 0
  return (kind === 'micrometer' ? of.find(gauge => small(gauge) === (key !== kind)) : undefined) ?? of[0]
}

/** Is this what a check may keep a gauge under? */
export const keySuits = (key: string, gauge: Gauge): boolean => suits(key.split(':')[0] as GaugeKind, gauge)

/** The gauge a point is read with: its own, else the one of its kind; null where none is used, or there is none yet. */
export function gaugeOf({ gauges }: Pick<CheckDocument, 'gauges'>, point: Pick<MeasuringPoint, 'way' | 'tool'>): Gauge | null {
  const need = needOf(point)
  return need === null ? null : (gauges[need.key] ?? gauges[need.kind] ?? null)
}
