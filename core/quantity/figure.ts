import { NM_PER, UNIT_NAME, nm, type LengthUnit, type Nm, type UnitSystem } from './length'
import { UNITS, parseMeasure, type Measure, type MeasureKind, type MeasureUnit } from './measure'
import { parseLength, type LengthEntry } from './parse-length'
import type { EntryOptions } from './question'

/** A figure of any quantity, in whole small units of it: nm, nN·m, µN, thousandths of a degree, millionths of a kelvin from 0 °C. */
export type Exact = Nm | Measure<MeasureKind>
/** A unit says what it is a unit of: `thou` a length, `N·m` a torque. */
export type Unit = LengthUnit | MeasureUnit
/** What a figure in a unit is. */
export type ExactIn<U extends Unit> = U extends LengthUnit ? Nm : Measure<MeasureKind>

interface UnitFacts {
  readonly quantity: 'length' | MeasureKind
  /** small units in one of it */
  readonly per: number
  /** small units at which it reads zero */
  readonly zero: number
  /** shown to so many: inch lengths to the tenth of a thou, millimetres to the micrometre */
  readonly decimals: number
  /** as it is written after a figure */
  readonly name: string
}
const LENGTH_DECIMALS: Readonly<Record<LengthUnit, number>> = { thou: 1, tenth: 1, in: 4, mm: 3, um: 0 }
const FACTS = Object.fromEntries([
  ...Object.entries(NM_PER).map(([unit, per]) => [
    unit,
    { quantity: 'length', per, zero: 0, decimals: LENGTH_DECIMALS[unit as LengthUnit], name: UNIT_NAME[unit as LengthUnit] },
  ]),
  ...Object.entries(UNITS).flatMap(([quantity, units]) =>
    Object.entries(units).map(([unit, { per, zero = 0, decimals }]) => [unit, { quantity, per, zero, decimals, name: unit }]),
  ),
]) as Readonly<Record<Unit, UnitFacts>>

export const ALL_UNITS = Object.keys(FACTS) as readonly Unit[]
export const quantityOf = (unit: Unit): UnitFacts['quantity'] => FACTS[unit].quantity
export const isLengthUnit = (unit: Unit): unit is LengthUnit => FACTS[unit].quantity === 'length'
/** Small units in one of a unit: 25 400 nm in a thou, 1 000 000 000 nN·m in a N·m. */
export const perUnit = (unit: Unit): number => FACTS[unit].per
/** Small units at which a unit reads zero: a temperature’s are not all the same. */
export const zeroOf = (unit: Unit): number => FACTS[unit].zero
export const unitName = (unit: Unit): string => FACTS[unit].name
const METRIC: readonly Unit[] = ['mm', 'um', 'N·m', 'kgf·cm', 'N', 'kgf', '°', 'h', '°C']
export const systemOf = (unit: Unit): UnitSystem => (METRIC.includes(unit) ? 'metric' : 'inch')
export const unitsOf = (quantity: UnitFacts['quantity']): Unit[] => ALL_UNITS.filter(unit => FACTS[unit].quantity === quantity)

/**
 * A whole number of small units.
 * @throws RangeError when `n` is not a safe integer
 */
export const exact = (n: number): Exact => nm(n)

export interface FormatOptions {
  /** More (or fewer) decimals than usual. */
  readonly decimals?: number
  /** One decimal more than usual in inches: bores, masters and what is honed go by parts of a tenth. Micrometres are fine enough. */
  readonly fine?: boolean
  /** Print the unit after the figure. */
  readonly unit?: boolean
  /** Print + before a positive figure. */
  readonly sign?: boolean
  /** By how much it differs, and not how much it is: 5 K are 9 °F, whatever 5 °C are. */
  readonly change?: boolean
  /** Drop decimals that are zero: 18, not 18.0. */
  readonly trim?: boolean
}

/**
 * A figure (small units; averages may be fractions of one) as text.
 * @example formatFigure(1.2e9, 'N·m', { unit: true }) // "1.20 N·m"
 */
export function formatFigure(value: number, unit: Unit, options: FormatOptions = {}): string {
  if (unit === 'h') return clockFace(value) + (options.unit ? ' o’clock' : '')
  const { per, zero, decimals: usual, name } = FACTS[unit]
  const from = options.change ? value : value - zero
  const decimals = options.decimals ?? usual + (options.fine && unit !== 'mm' && unit !== 'um' ? 1 : 0)
  // Whole steps first: dividing before rounding would print 0.25 thou as 0.2 or 0.3 by luck.
  const steps = Math.round((Math.abs(from) * 10 ** decimals) / per)
  const digits = String(steps).padStart(decimals + 1, '0')
  let figure = decimals === 0 ? digits : `${digits.slice(0, -decimals)}.${digits.slice(-decimals)}`
  if (options.trim && decimals > 0) figure = figure.replace(/\.?0+$/, '')
  const sign = steps === 0 ? '' : from < 0 ? '−' : options.sign ? '+' : ''
  return sign + figure + (options.unit ? (name === '°' ? name : ` ${name}`) : '')
}

/** How much a figure is off, or may be: U, a spread, a residual. What is something is never written as nothing: `± 0.04`, not `± 0.0`. */
export function formatChange(value: number, unit: Unit, options: Omit<FormatOptions, 'change'> = {}): string {
  const written = (more: Partial<FormatOptions>) => formatFigure(value, unit, { ...options, ...more, change: true })
  const usual = written({})
  if (options.decimals !== undefined || !Number.isFinite(value) || /[1-9]/.test(written({ unit: false }))) return usual
  const { per, decimals } = FACTS[unit]
  // The first digit that is not a nought.
  const needed = value === 0 ? decimals : Math.ceil(-Math.log10(Math.abs(value) / per))
  return needed > decimals && needed <= decimals + FINER ? written({ decimals: needed }) : usual
}
/** Decimals more than usual; what is smaller is nothing. */
const FINER = 2

/** A place on a clock as hours and minutes, 12:00 on top; half a degree is a minute. */
function clockFace(milli: number): string {
  const minutes = ((Math.round(milli / 500) % 720) + 720) % 720
  const hour = Math.floor(minutes / 60)
  return `${hour === 0 ? 12 : hour}:${String(minutes % 60).padStart(2, '0')}`
}

/** Decimals of readings as they were taken: as many more as show a figure that was read finer than usual, and none where it was read in another system. */
export function readDecimals(values: readonly number[], unit: Unit): number {
  const { per, zero, decimals } = FACTS[unit]
  const extra = unit === 'mm' || unit === 'um' ? [0, 1] : [0, 1, 2]
  const exactWith = (value: number) => extra.find(more => ((value - zero) * 10 ** (decimals + more)) % per === 0) ?? 0
  return decimals + Math.max(0, ...values.map(exactWith))
}
export const asRead = (value: number, unit: Unit, options: Omit<FormatOptions, 'decimals' | 'fine'> = {}): string =>
  formatFigure(value, unit, { ...options, decimals: readDecimals([value], unit) })

/**
 * Decimals that keep the printed figure on the same side of a limit as the true one:
 * 2.04 against an upper limit of 2 must not print as "2.0, loose".
 */
export function decimalsApart(value: number, limits: readonly number[], unit: Unit): number {
  const { per, zero, decimals: usual } = FACTS[unit]
  const stepsOf = (figure: number) => Math.round(((figure - zero) * 10 ** decimals) / per)
  let decimals = usual
  for (; decimals < usual + 3; decimals++) {
    const clash = limits.some(limit => value !== limit && stepsOf(value) === stepsOf(limit))
    if (!clash) break
  }
  return decimals
}

/** The unit of the other system, or the other way to say it. */
export const OTHER_MEASURE: Readonly<Record<MeasureUnit, MeasureUnit>> = {
  'N·m': 'in·lb',
  'in·lb': 'N·m',
  'ft·lb': 'N·m',
  'kgf·cm': 'N·m',
  'N': 'kgf',
  'kgf': 'N',
  'lbf': 'N',
  'oz': 'N',
  '°': 'h',
  'h': '°',
  '°C': '°F',
  '°F': '°C',
}

export type FigureEntry =
  | { readonly ok: true; readonly value: Exact; readonly unit: Unit; readonly rounded: boolean }
  | Extract<LengthEntry, { readonly ok: false }>

/**
 * A figure as it is typed, of the quantity that the unit of a bare one belongs to.
 * @param options  what is asked about, of lengths
 * @param change  by how much, not how much
 * @example parseFigure('1.2', 'N·m') // { ok: true, value: 1.2e9 }
 */
export function parseFigure(text: string, bare: Unit, options: EntryOptions = {}, change = false): FigureEntry {
  if (isLengthUnit(bare)) return parseLength(text, bare, options)
  const entry = parseMeasure(text, FACTS[bare].quantity as MeasureKind, bare, change)
  if (!entry.ok) return entry
  if (entry.value < 0 && (change || FACTS[bare].quantity !== 'temperature'))
    return { ok: false, reason: `Less than nothing: a ${FACTS[bare].quantity} is read without a sign.` }
  if (options.anyOf && /^[\d.,\s]+$/.test(text)) {
    const figure = text.trim()
    const choices = (options.anyOf as readonly Unit[]).flatMap(unit => {
      const meant = parseMeasure(`${figure} ${unit}`, FACTS[bare].quantity as MeasureKind, bare, change)
      return meant.ok ? [{ label: `${figure} ${unitName(unit)}`, value: nm(meant.value) }] : []
    })
    return { ok: false, reason: `${figure} of what?`, choices }
  }
  return { ...entry, rounded: false }
}
