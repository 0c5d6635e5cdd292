import { groups } from 'd3-array'
import type { MeasuringPoint } from '../contract'

/**
 * The points the other way round: what is on the bench last first, the bores before the journals; where all are of one part, the last
 * position first. Within a position the order stays.
 */
export function turnedRound(points: readonly MeasuringPoint[]): MeasuringPoint[] {
  const byPart = groups(points, ({ at }) => at.part)
  const by = byPart.length > 1 ? byPart : groups(points, ({ at }) => at.position ?? at.station)
  return by.reverse().flatMap(([, of]) => of)
}
