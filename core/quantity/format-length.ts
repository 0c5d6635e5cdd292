import { formatFigure, isLengthUnit, OTHER_MEASURE, readDecimals, type FormatOptions, type Unit, systemOf } from './figure'
import { NM_PER, type LengthUnit, type UnitSystem } from './length'

/**
 * A length (nm; averages may be fractions of one) as text.
 * @example formatLength(482600, 'thou', { unit: true }) // "19.0 thou"
 */
export const formatLength = (value: number, unit: LengthUnit, options: FormatOptions = {}): string => formatFigure(value, unit, options)

/** Was a size meant in inches? Whole tenths of a thou, or quarters of one that are no whole micrometres: 18, 63.25 thou. */
export const meantInInches = (value: number): boolean =>
  value % NM_PER.tenth === 0 || (value % (NM_PER.tenth / 4) === 0 && value % NM_PER.um !== 0)

/** Decimals of pieces: micrometres, or as many as show a quarter of a thou that was made so. */
export const pieceDecimals = (values: readonly number[], unit: LengthUnit): number =>
  systemOf(unit) === 'metric' ? readDecimals([], unit) : readDecimals(values, unit)
/** The size of a piece: 18, 63.25, 0.457. */
export const pieceText = (value: number, unit: LengthUnit): string =>
  formatLength(value, unit, { trim: true, decimals: pieceDecimals([value], unit) })
/**
 * The size of a piece in the system it was made in: `4 thou`, `0.10 mm`.
 * @example markedText(thou(10)) // '10 thou'
 */
export const markedText = (length: number): string =>
  meantInInches(length)
    ? `${pieceText(length, 'thou')} thou`
    : formatLength(length, 'mm', { unit: true, decimals: length % 10_000 === 0 ? 2 : 3 })

/** How a length is shown: a whole size in inches or millimetres, a play in thou or millimetres. */
export type Scale = 'play' | 'size'
/** The unit that stands beside an entry in `unit`: the other system, at the same fineness. */
export function otherUnit(unit: LengthUnit, scale?: Scale): LengthUnit
export function otherUnit(unit: Unit, scale?: Scale): Unit
export function otherUnit(unit: Unit, scale: Scale = 'play'): Unit {
  return isLengthUnit(unit) ? unitFor(systemOf(unit) === 'metric' ? 'inch' : 'metric', scale) : OTHER_MEASURE[unit]
}
/** What stands beside an entry in the unit of its gauge: the check’s unit, or where that is the same, the other system. */
export function besideUnit(unit: Unit, check: LengthUnit, scale: Scale): Unit {
  if (!isLengthUnit(unit)) return OTHER_MEASURE[unit]
  const own = scale === 'size' ? unitFor(systemOf(check), 'size') : check
  return own === unit ? otherUnit(unit, scale) : own
}
export const unitFor = (system: UnitSystem, scale: Scale = 'play'): LengthUnit =>
  system === 'metric' ? 'mm' : scale === 'size' ? 'in' : 'thou'
/** In what a gauge’s sizes, or its steps, are typed and shown: inches or millimetres; no other quantity has two. */
export const unitOfGauge = (unit: Unit, scale: Scale): Unit => (isLengthUnit(unit) ? unitFor(systemOf(unit), scale) : unit)
