import { unvoided } from '../../reading/reading'
import type { CheckKind, MeasuringPoint } from '../contract'
import { newerThan, type CheckDocument, type PartChange, type PointReading, type Predicted, type Trial } from '../document'

/**
 * Readings that hold for a point in a fitting: those taken in it, and those of earlier fittings as long as no place that moves the
 * point was taken apart since.
 * @param index  of the fitting
 */
export function readingsAt(trials: readonly Trial[], point: Pick<MeasuringPoint, 'id' | 'moves'>, index: number): PointReading[] {
  let found: PointReading[] = []
  for (let i = index; i >= 0; i--) {
    const trial = trials[i]!
    found = [...trial.readings.filter(reading => reading.point === point.id), ...found]
    if (trial.refitted.some(place => point.moves.includes(place))) break
  }
  return found
}

/**
 * The readings of a point that count after part changes: those taken since. While there are none, the old ones, with the change
 * that made them stale.
 */
export function freshReadings(
  document: Pick<CheckDocument, 'partChanges'>,
  point: MeasuringPoint,
  readings: readonly PointReading[],
): { readings: readonly PointReading[]; stale: PartChange | null } {
  const changes = document.partChanges.filter(change => change.role === '*' || point.rests.includes(change.role))
  if (changes.length === 0) return { readings, stale: null }
  const newest = changes.reduce((a, b) => (b.order > a.order ? b : a))
  const since = readings.filter(reading => newerThan(reading.order, newest.order))
  if (unvoided(since).length > 0) return { readings: since, stale: null }
  return { readings, stale: unvoided(readings).length > 0 ? newest : null }
}

/**
 * What was foretold of a result in a fitting: by the newest change that moved it. It dies with what it rests on: a part replaced since
 * the readings it was reckoned from.
 */
export function predictedOf(
  document: CheckDocument,
  kind: CheckKind,
  index: number,
  id: string,
  points: readonly string[],
): Predicted | null {
  const { trials } = document
  const at = trials.slice(0, index + 1).findLastIndex(({ predicted }) => predicted[id] !== undefined)
  if (at === -1) return null
  const rests = kind.points(document.setup).filter(point => points.includes(point.id))
  const read = rests.flatMap(point => unvoided(readingsAt(trials, point, at - 1)))
  const newest = Math.max(-1, ...read.map(({ order }) => order ?? Infinity))
  const replaced = document.partChanges.some(
    ({ role, order }) => (role === '*' || rests.some(point => point.rests.includes(role))) && order > newest,
  )
  return replaced ? null : trials[at]!.predicted[id]!
}
