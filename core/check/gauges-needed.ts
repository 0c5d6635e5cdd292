import { ways } from '../method/ways'
import type { GaugeKind } from '../reading/gauge'
import type { MeasuringPoint } from './contract'

/** Kinds of gauge these points are read with, each once, in the order of the points. */
export const gaugeKindsFor = (points: readonly Pick<MeasuringPoint, 'way'>[]): GaugeKind[] => [
  ...new Set(points.map(point => ways[point.way].gauge).filter((kind): kind is GaugeKind => kind !== null)),
]
