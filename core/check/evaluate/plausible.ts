import { median } from 'd3-array'
import { shownBy } from '../../method/gauge-range'
import { ways } from '../../method/ways'
import { nm, type Nm } from '../../quantity/length'
import type { EntryOptions } from '../../quantity/question'
import { readsOf } from '../../reading/gauge'
import { unvoided } from '../../reading/reading'
import { finiteEnds } from '../../verdict/limits'
import { positionOf, type CheckKind, type MeasuringPoint } from '../contract'
import { limitsOf, type CheckDocument } from '../document'
import { apartLimit } from '../common/belong'
import { gaugeOf } from './gauge-needs'
import { freshReadings } from './point-readings'

/** No diameter on a bench is larger: a metre. */
const LARGEST_SIZE = nm(1_000_000_000)
/** A play or a deviation this many times its widest limit is asked about; common sense, no source. */
const TIMES_LIMIT = 10
/** Whatever the limits, smaller figures are not asked about: a quarter of a millimetre. */
const SELDOM_ASKED = 250_000

/**
 * What a figure typed at a point is asked about before it is stored: a size of less than nothing, a journal half as large as the
 * others, a movement ten times its limits.
 */
export function plausibleAt(document: CheckDocument, kind: CheckKind, point: MeasuringPoint): EntryOptions {
  const gauge = gaugeOf(document, point)
  const shows = gauge && readsOf(gauge.kind) === 'length' ? { shows: shownBy(gauge) } : {}
  return { ...shows, ...askedAt(document, kind, point) }
}

function askedAt(document: CheckDocument, kind: CheckKind, point: MeasuringPoint): EntryOptions {
  const { scale, entry, asks } = ways[point.way]
  if (scale === 'size') {
    const others = ofTheSame(document, kind, point)
    if (others !== null)
      return {
        plausible: LARGEST_SIZE,
        least: nm(1),
        near: others,
        within: apartLimit(point, gaugeOf(document, point)?.graduation ?? null),
        name: 'size',
      }
    const near = itsLike(document, kind, point)
    return { plausible: LARGEST_SIZE, least: nm(1), ...(near === null ? {} : { near }), name: 'size' }
  }
  const ends = finiteEnds(limitsOf(document, point.result, positionOf(kind.results(document.setup), point)).working)
  const widest = ends.length > 0 ? Math.max(...ends.map(Math.abs)) : Infinity
  const movement = entry === 'travel' || entry === 'range'
  return {
    plausible: nm(Math.min(kind.plausible, Math.max(TIMES_LIMIT * widest, SELDOM_ASKED))),
    name: movement ? 'play' : 'figure',
    // The figure is the result itself: far below its limits it is one in another unit.
    ...(movement && ends.length === 2 && Math.min(...ends) > 0 ? { likely: { low: Math.min(...ends), high: Math.max(...ends) } } : {}),
    ...asks?.(gaugeOf(document, point)),
  }
}

/** What the other places of the same length measured in this fitting; null: nothing yet, or it is of no such length. */
function ofTheSame(document: CheckDocument, kind: CheckKind, point: MeasuringPoint): Nm | null {
  if (point.together === undefined) return null
  const others = kind.points(document.setup).filter(({ id, together }) => together === point.together && id !== point.id)
  const index = document.trials.length - 1
  const figures = others.flatMap(other => {
    const { readings, stale } = freshReadings(document, kind, other, index)
    return stale ? [] : unvoided(readings).flatMap(reading => ('figure' in reading ? [reading.figure] : []))
  })
  const middle = median(figures)
  return middle === undefined ? null : nm(Math.round(middle))
}

/** What the others of its kind measured, or what the kind expects of it; null: nothing yet. */
function itsLike(document: CheckDocument, kind: CheckKind, point: MeasuringPoint): Nm | null {
  if (point.alone) return null
  const alike = new Set(
    kind
      .points(document.setup)
      .filter(({ way, at }) => way === point.way && at.part === point.at.part)
      .map(({ id }) => id),
  )
  const read = document.trials.flatMap(({ readings }) => unvoided(readings))
  const figures = read.flatMap(reading => ('figure' in reading && alike.has(reading.point) ? [reading.figure] : []))
  const middle = median(figures)
  return middle === undefined ? (point.near ?? null) : nm(Math.round(middle))
}
