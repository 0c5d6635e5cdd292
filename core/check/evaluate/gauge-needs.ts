import type { WayId } from '../../method/way'
import { ways } from '../../method/ways'
import { systemOf, type Unit } from '../../quantity/figure'
import type { UnitSystem } from '../../quantity/length'
import { GAUGE_NAME, suits, type Gauge, type GaugeKind } from '../../reading/gauge'
import type { MeasuringPoint } from '../contract'
import type { CheckDocument, PointReading } from '../document'

/** A gauge a check is read with: one of each kind, and another where some points are read with one of their own. */
export interface GaugeNeed {
  /** the kind, or `kind:tool`: what the check keeps it under */
  readonly key: string
  readonly kind: GaugeKind
  readonly label: string
  /** how it is read */
  readonly way: WayId
  /** what it measures is thin */
  readonly small: boolean
}

export function needOf({ way, tool, small: thin }: Pick<MeasuringPoint, 'way' | 'tool' | 'small'>): GaugeNeed | null {
  const kind = ways[way].gauge
  if (kind === null) return null
  const small = thin ?? false
  return tool === undefined
    ? { key: kind, kind, label: GAUGE_NAME[kind], way, small }
    : { key: `${kind}:${tool}`, kind, label: `${GAUGE_NAME[kind]}, ${tool.replace('-', ' ')}`, way, small }
}

/** What these points are read with, each once, in the order of the points. */
export const gaugeNeeds = (points: readonly Pick<MeasuringPoint, 'way' | 'tool' | 'small'>[]): GaugeNeed[] => [
  ...new Map(points.flatMap(point => needOf(point) ?? []).map(need => [need.key, need])).values(),
]

/** The likely one of a register, while nothing asks for another: of the check's own system if there is one. */
export function likelyGauge({ kind, way, small }: GaugeNeed, register: readonly Gauge[], system: UnitSystem): Gauge | undefined {
  const all = register.filter(gauge => gauge.kind === kind)
  const own = all.filter(gauge => systemOf(gauge.unit) === system)
  const of = own.length > 0 ? own : all
  return ways[way].likely?.(of, small) ?? of[0]
}

/** Is this what a check may keep a gauge under? */
export const keySuits = (key: string, gauge: Gauge): boolean => suits(key.split(':')[0] as GaugeKind, gauge)

/** What a bare figure at a point is in: what its gauge is read in, else its own unit, else the check's. */
export const unitAt = (document: Pick<CheckDocument, 'gauges' | 'entryUnit'>, point: Pick<MeasuringPoint, 'way' | 'tool' | 'unit'>): Unit =>
  gaugeOf(document, point)?.unit ?? point.unit ?? document.entryUnit

/** What a check keeps a gauge under that readings were taken with, and that another took the place of. */
export const keptKey = ({ kind, id }: Gauge): string => `${kind}:read-${id}`

/**
 * The gauge readings were taken with, which may be another than the one in hand now: they are judged by it. Of several the coarsest;
 * null where none of them names one that is known.
 */
export function readWith({ gauges }: Pick<CheckDocument, 'gauges'>, readings: readonly Pick<PointReading, 'gauge'>[]): Gauge | null {
  const named = new Set(readings.flatMap(({ gauge }) => gauge ?? []))
  return Object.values(gauges).reduce<Gauge | null>(
    (coarsest, gauge) => (named.has(gauge.id) && (coarsest === null || gauge.graduation > coarsest.graduation) ? gauge : coarsest),
    null,
  )
}

/** The gauge a point is read with: its own, else the one of its kind; null where none is used, or there is none yet. */
export function gaugeOf({ gauges }: Pick<CheckDocument, 'gauges'>, point: Pick<MeasuringPoint, 'way' | 'tool'>): Gauge | null {
  const need = needOf(point)
  return need === null ? null : (gauges[need.key] ?? gauges[need.kind] ?? null)
}
