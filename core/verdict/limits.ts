import {
  ALL_UNITS,
  exact,
  formatFigure,
  isLengthUnit,
  parseFigure,
  quantityOf,
  unitName,
  zeroOf,
  type Exact,
  type Unit,
} from '../quantity/figure'
import { otherUnit } from '../quantity/format-length'
import type { Quantity } from '../quantity/quantity'
import type { LengthUnit } from '../quantity/length'

export type LimitSourceKind = 'book' | 'shop' | 'kit-leaflet' | 'borrowed' | 'common-practice' | 'own'

export interface LimitSource {
  readonly kind: LimitSourceKind
  /** Title or reason; page, revision and date where there is one. */
  readonly text?: string
  readonly page?: string
  readonly revision?: string
  readonly date?: string
  /** the entry of the shop’s library they were taken from, and how it stood then */
  readonly entry?: { readonly id: string; readonly version: number }
}

/**
 * What is allowed. Ends are inclusive unless excluded ("some play, never zero"); whole small units, judged unrounded;
 * `unit` is the unit they were given in, and says what is limited: a length, a torque.
 */
export type LimitSet = TwoSided | UpperLimit | LowerLimit | RecommendedFigure | NoLimits
interface Given {
  readonly unit: Unit
  readonly source: LimitSource
}
interface UpperEnd {
  readonly upper: Exact
  readonly upperExcluded?: boolean
}
interface LowerEnd {
  readonly lower: Exact
  readonly lowerExcluded?: boolean
}
export interface TwoSided extends Given, LowerEnd, UpperEnd {
  readonly kind: 'two-sided'
}
export interface UpperLimit extends Given, UpperEnd {
  readonly kind: 'upper'
}
export interface LowerLimit extends Given, LowerEnd {
  readonly kind: 'lower'
}
/** One recommended figure without limits. */
export interface RecommendedFigure extends Given {
  readonly kind: 'figure'
  readonly figure: Exact
}
export interface NoLimits extends Given {
  readonly kind: 'none'
}
/** Limits as they are typed, sent or stored: what their kind needs may be missing (`limitsFault`), and what it has no use for be there. */
export interface LimitFields extends Given, Partial<LowerEnd>, Partial<UpperEnd> {
  readonly kind: LimitSet['kind']
  readonly figure?: Exact
}

/** Of fields without a fault; what their kind has no use for is left out. @throws Error where something is missing */
export function limitSetOf({ kind, unit, source, ...fields }: LimitFields): LimitSet {
  const given = { unit, source }
  const end = (name: 'lower' | 'upper' | 'figure'): Exact => {
    const value = fields[name]
    if (value === undefined) throw new Error(`Limits without ${name}.`)
    return value
  }
  const lower = (): LowerEnd => ({ lower: end('lower'), ...(fields.lowerExcluded ? { lowerExcluded: true } : {}) })
  const upper = (): UpperEnd => ({ upper: end('upper'), ...(fields.upperExcluded ? { upperExcluded: true } : {}) })
  switch (kind) {
    case 'two-sided':
      return { kind, ...given, ...lower(), ...upper() }
    case 'upper':
      return { kind, ...given, ...upper() }
    case 'lower':
      return { kind, ...given, ...lower() }
    case 'figure':
      return { kind, ...given, figure: end('figure') }
    case 'none':
      return { kind, ...given }
  }
}

export const SOURCE_NAME: Readonly<Record<LimitSourceKind, string>> = {
  'book': 'Book',
  'shop': 'Shop',
  'kit-leaflet': 'Kit leaflet',
  'borrowed': 'Borrowed from a similar part',
  'common-practice': 'Common practice',
  'own': 'Own figure',
}

export interface Ends {
  readonly lower: number
  readonly upper: number
  readonly lowerExcluded: boolean
  readonly upperExcluded: boolean
}
/**
 * The ends that judge, ±Infinity where open; null when nothing can be judged.
 * @example endsOf({ kind: 'upper', upper: thou(4), unit: 'thou', source: { kind: 'book' } }) // { lower: -Infinity, upper: thou(4) }
 */
export function endsOf(limits: LimitSet | null): Ends | null {
  if (!limits || limits.kind === 'none' || limits.kind === 'figure') return null
  const [low, high] = [limits.kind === 'upper' ? null : limits, limits.kind === 'lower' ? null : limits]
  return {
    lower: low?.lower ?? -Infinity,
    upper: high?.upper ?? Infinity,
    lowerExcluded: low?.lowerExcluded === true,
    upperExcluded: high?.upperExcluded === true,
  }
}

/** The limits that are there, lower first; nm */
export const finiteEnds = (limits: LimitSet | null): number[] => {
  const ends = endsOf(limits)
  return ends ? [ends.lower, ends.upper].filter(Number.isFinite) : []
}

/** The closed range, in whole nm, of figures that are inside; ±Infinity where open, or where nothing judges. */
export function insideRange(limits: LimitSet | null): { low: number; high: number } {
  const ends = endsOf(limits)
  if (!ends) return { low: -Infinity, high: Infinity }
  return { low: ends.lower + (ends.lowerExcluded ? 1 : 0), high: ends.upper - (ends.upperExcluded ? 1 : 0) }
}

/** Does everything that meets the first meet the second too? Where nothing judges, yes. */
export function isInside(limits: LimitSet, other: LimitSet | null): boolean {
  const [own, others] = [insideRange(limits), insideRange(other)]
  return own.low >= others.low && own.high <= others.high
}

/**
 * What a figure below zero is, and so where its limits have their floor: never right, nor is zero (a play, a clearance, a torque that
 * must be felt); never right, though zero is (a spacer no shorter than its seats); a thing of its own (an offset, one face over the
 * other); or nothing that can be (runout).
 */
export type Floor = 'never-zero' | 'never' | 'meaning' | 'impossible'

/**
 * Limits of a figure that is never right below zero: “up to 4” means from zero to 4, and where zero is no better, over zero, up to 4;
 * a lower limit of zero then leaves zero out. One figure, or none, stays what it is: see `flooredAtLeast`.
 */
export function floored(limits: LimitSet | null, floor: Floor): LimitSet | null {
  if (floor === 'meaning' || floor === 'impossible') return limits
  const out = floor === 'never-zero'
  const zero = { lower: exact(0), ...(out ? { lowerExcluded: true } : {}) }
  switch (limits?.kind) {
    case 'upper':
      return { ...limits, kind: 'two-sided', ...zero }
    case 'two-sided':
    case 'lower':
      return limits.lower > 0 || (limits.lower === 0 && (!out || limits.lowerExcluded)) ? limits : { ...limits, ...zero }
    default:
      return limits
  }
}

/** Limits of a figure that goes either way from zero: “up to 5” means from −5 to +5. */
export const bothWays = (limits: LimitSet | null): LimitSet | null =>
  limits?.kind === 'upper'
    ? {
        ...limits,
        kind: 'two-sided',
        lower: exact(-limits.upper),
        ...(limits.upperExcluded === undefined ? {} : { lowerExcluded: limits.upperExcluded }),
      }
    : limits

/** What a choice goes by where nothing else judges: the floor alone. */
export function flooredAtLeast(limits: LimitSet | null, floor: Floor): LimitSet | null {
  if (floor === 'meaning' || floor === 'impossible' || endsOf(limits)) return floored(limits, floor)
  return {
    kind: 'lower',
    lower: exact(0),
    ...(floor === 'never-zero' ? { lowerExcluded: true } : {}),
    unit: limits?.unit ?? 'thou',
    source: { kind: 'common-practice', text: floor === 'never-zero' ? 'some play, never zero' : 'never below zero' },
  }
}

/** Is there nothing that meets them? */
export const isEmpty = (limits: LimitSet | null): boolean => {
  const { low, high } = insideRange(limits)
  return low > high
}

/**
 * What meets both of two sets of limits; where nothing does, its lower end lies over its upper one, and nothing is in it. One that lies
 * inside the other is that one.
 * @param own  whose source is named where neither lies inside
 */
export function meetBoth(own: LimitSet | null, other: LimitSet | null): LimitSet | null {
  const [a, b] = [endsOf(own), endsOf(other)]
  if (!own || !other || !a || !b) return a ? own : b ? other : (own ?? other)
  if (isInside(own, other)) return own
  if (isInside(other, own)) return other
  const low = a.lower > b.lower || (a.lower === b.lower && a.lowerExcluded) ? a : b
  const high = a.upper < b.upper || (a.upper === b.upper && a.upperExcluded) ? a : b
  return {
    kind: 'two-sided',
    unit: own.unit,
    source: own.source,
    lower: exact(low.lower),
    upper: exact(high.upper),
    ...(low.lowerExcluded ? { lowerExcluded: true } : {}),
    ...(high.upperExcluded ? { upperExcluded: true } : {}),
  }
}

/**
 * Width for the gates and the gauge test, nm: 0…upper when one-sided upwards, null when only a lower limit or none is known.
 * @example bandOf(twoSided(thou(2), thou(5), 'thou', { kind: 'book' })) // thou(3)
 */
export function bandOf(limits: LimitSet | null): number | null {
  if (!limits) return null
  if (limits.kind === 'two-sided') return limits.upper < limits.lower ? null : limits.upper - limits.lower
  // Where zero is but a place on the scale, an upper limit has no width.
  if (limits.kind === 'upper' && quantityOf(limits.unit) !== 'temperature') return limits.upper
  return null
}

/**
 * A sentence when the set does not make sense, else null.
 * @param of  what is limited, where that is known: a torque has no limits in thou
 */
export function limitsFault(limits: LimitFields, of?: Quantity): string | null {
  if (of !== undefined && quantityOf(limits.unit) !== of)
    return `These are limits of a ${of}: give them in ${ALL_UNITS.filter(unit => quantityOf(unit) === of)
      .map(unitName)
      .join(', ')}.`
  const needs = { 'two-sided': ['lower', 'upper'], 'upper': ['upper'], 'lower': ['lower'], 'figure': ['figure'], 'none': [] }[
    limits.kind
  ] as ('lower' | 'upper' | 'figure')[]
  const missing = needs.find(end => limits[end] === undefined)
  if (missing) return `The ${missing === 'figure' ? 'recommended figure' : `${missing} limit`} is missing.`
  if (
    limits.kind === 'two-sided' &&
    (limits.lower! > limits.upper! || (limits.lower === limits.upper && (limits.lowerExcluded || limits.upperExcluded)))
  )
    return 'The lower limit is above the upper one.'
  if (limits.kind === 'upper' && limits.upper! <= 0 && quantityOf(limits.unit) !== 'temperature')
    return 'An upper limit of zero or less leaves nothing.'
  return null
}

/** Decimals of a limit that is not whole in the unit it is shown in: 0.05 mm is 1.97 thou, not 2. */
const CONVERTED: Readonly<Record<LengthUnit, number>> = { thou: 2, tenth: 1, in: 5, mm: 3, um: 1 }
const MEASURE_DECIMALS = 3
const decimalsIn = (unit: Unit): number => (isLengthUnit(unit) ? CONVERTED[unit] : MEASURE_DECIMALS)

/** Nothing of it is lost as it is written. */
function isWhole(end: Exact, text: string, unit: Unit): boolean {
  const read = parseFigure(text.replace('−', '-'), unit)
  return read.ok && read.value === end
}

/** The unit limits are told in: the one at hand, or that of the other system where only there they are whole. */
export function unitOfLimits(ends: readonly Exact[], unit: Unit): Unit {
  const allWhole = (of: Unit) => ends.every(end => isWhole(end, formatFigure(end, of, { decimals: decimalsIn(of), trim: true }), of))
  const other = otherUnit(unit)
  return !allWhole(unit) && allWhole(other) ? other : unit
}

/** One end of some limits, with a digit more where it needs one. `2`, `1.97` */
export function limitFigure(end: Exact, unit: Unit): string {
  const plain = formatFigure(end, unit, { trim: true })
  return quantityOf(unit) === 'temperature' || isWhole(end, plain, unit)
    ? plain
    : formatFigure(end, unit, { trim: true, decimals: decimalsIn(unit) })
}

/**
 * `19 – 30 thou`, `up to 2 thou`, `over 0, up to 0.05 mm`.
 * @example describeLimits(twoSided(thou(19), thou(30), 'thou', { kind: 'book' })) // '19 – 30 thou'
 */
export function describeLimits(limits: LimitSet | null, unit?: Unit): string {
  if (!limits || limits.kind === 'none') return 'no limit known'
  const shown = unit ?? limits.unit
  const figure = (value: Exact) => limitFigure(value, shown)
  // Two ends stand with as many decimals each: 0.025 – 0.100.
  const places = (value: Exact) => figure(value).split('.')[1]?.length ?? 0
  const end = (value: Exact) =>
    value === 0 && zeroOf(shown) === 0
      ? '0'
      : formatFigure(value, shown, { decimals: Math.max(...finiteEnds(limits).map(one => places(exact(one)))) })
  const name = unitName(shown)
  switch (limits.kind) {
    case 'figure':
      return `${figure(limits.figure)} ${name}, no limits given`
    case 'upper':
      return `${limits.upperExcluded ? 'below' : 'up to'} ${figure(limits.upper)} ${name}`
    case 'lower':
      return `${limits.lowerExcluded ? 'over' : 'at least'} ${figure(limits.lower)} ${name}`
    case 'two-sided':
      return limits.lowerExcluded || limits.upperExcluded
        ? `${limits.lowerExcluded ? 'over' : 'from'} ${end(limits.lower)}, ${limits.upperExcluded ? 'below' : 'up to'} ${end(limits.upper)} ${name}`
        : `${end(limits.lower)} – ${end(limits.upper)} ${name}`
  }
}

/** Two-sided limits from plain figures, for kinds' defaults and tests. */
export const twoSided = (lower: number, upper: number, unit: Unit, source: LimitSource): LimitSet => ({
  kind: 'two-sided',
  lower: exact(lower),
  upper: exact(upper),
  unit,
  source,
})
