import { unvoided } from '../../reading/reading'
import { ways } from '../../method/ways'
import { positionOf, type CheckKind, type MeasuringPoint } from '../contract'
import { concerning, conditionsOf } from './said-conditions'
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
 * The readings of a point that count in a fitting after it was opened again and after part changes: those taken since. While there are
 * none since a change, the old ones, with the change that made them stale.
 */
export function freshReadings(
  document: CheckDocument,
  kind: CheckKind,
  point: MeasuringPoint,
  index: number,
): { readings: readonly PointReading[]; stale: PartChange | null } {
  const readings = sinceSet(
    document,
    kind,
    point,
    index,
    sinceReopened(document, kind, point, index, readingsAt(document.trials, point, index)),
  )
  const changes = document.partChanges.filter(change => change.role === '*' || point.rests.includes(change.role))
  if (changes.length === 0) return { readings, stale: null }
  const newest = changes.reduce((a, b) => (b.order > a.order ? b : a))
  const since = readings.filter(reading => newerThan(reading.order, newest.order))
  if (unvoided(since).length > 0) return { readings: since, stale: null }
  return { readings, stale: unvoided(readings).length > 0 ? newest : null }
}

/** Of what is set and tried by turns only what was tried as it is set now. */
export function sinceSet(
  { trials, setup }: CheckDocument,
  kind: CheckKind,
  { since }: MeasuringPoint,
  index: number,
  readings: readonly PointReading[],
): readonly PointReading[] {
  const point = since === undefined ? undefined : kind.points(setup).find(({ id }) => id === since)
  const set = point && unvoided(readingsAt(trials, point, index)).at(-1)
  return set ? readings.filter(({ order }) => newerThan(order, set.order ?? Infinity)) : readings
}

/**
 * The readings of a point that count after the check was opened again: those taken since begin a series of their own. While there are
 * none, the figures that were signed stand, unless the unit is in another state now; words are asked again, one by one.
 * @param index  of the fitting; an earlier one keeps what it said
 */
function sinceReopened(
  document: CheckDocument,
  kind: CheckKind,
  point: MeasuringPoint,
  index: number,
  readings: readonly PointReading[],
): readonly PointReading[] {
  const { reopened, struck, trials } = document
  if (!reopened) return readings
  const since = readings.filter(({ order }) => newerThan(order, reopened.order))
  if (unvoided(since).length > 0) return since
  if (index < trials.length - 1) return readings
  if (ways[point.way].entry === 'word') return since
  const position = positionOf(kind.results(document.setup), point)
  const elsewise = concerning(conditionsOf(kind, document), position).some(({ condition: { id }, said }) => {
    const then = struck.findLast(one => one.what === 'state' && one.id === id && one.order === reopened.order)
    return said !== null && then !== undefined && then.said !== said
  })
  return elsewise ? since : readings
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

/** Was any of these points read since the change that foretold the result? A sum over what was read before proves nothing. */
export function readSince({ trials }: Pick<CheckDocument, 'trials'>, index: number, id: string, points: readonly string[]): boolean {
  const at = trials.slice(0, index + 1).findLastIndex(({ predicted }) => predicted[id] !== undefined)
  return trials.slice(Math.max(0, at), index + 1).some(({ readings }) => unvoided(readings).some(({ point }) => points.includes(point)))
}
