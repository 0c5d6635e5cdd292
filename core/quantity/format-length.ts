import { NM_PER, UNIT_NAME, systemOf, type LengthUnit, type UnitSystem } from './length'

/** Decimals shown: inch lengths to the tenth of a thou, millimetres to the micrometre. */
const DECIMALS: Readonly<Record<LengthUnit, number>> = { thou: 1, tenth: 1, in: 4, mm: 3, um: 0 }

export interface FormatOptions {
  /** More (or fewer) decimals than usual. */
  readonly decimals?: number
  /** One decimal more than usual in inches: bores, masters and what is honed go by parts of a tenth. Micrometres are fine enough. */
  readonly fine?: boolean
  /** Print the unit after the figure. */
  readonly unit?: boolean
  /** Print + before a positive figure. */
  readonly sign?: boolean
  /** Drop decimals that are zero: 18, not 18.0. */
  readonly trim?: boolean
}

/**
 * A length (nm; averages may be fractions of one) as text.
 * @example formatLength(482600, 'thou', { unit: true }) // "19.0 thou"
 */
export function formatLength(value: number, unit: LengthUnit, options: FormatOptions = {}): string {
  const decimals = options.decimals ?? DECIMALS[unit] + (options.fine && systemOf(unit) === 'inch' ? 1 : 0)
  const scale = 10 ** decimals
  // Whole steps first: dividing before rounding would print 0.25 thou as 0.2 or 0.3 by luck.
  const steps = Math.round((Math.abs(value) * scale) / NM_PER[unit])
  const digits = String(steps).padStart(decimals + 1, '0')
  let figure = decimals === 0 ? digits : `${digits.slice(0, -decimals)}.${digits.slice(-decimals)}`
  if (options.trim && decimals > 0) figure = figure.replace(/\.?0+$/, '')
  const sign = steps === 0 ? '' : value < 0 ? '−' : options.sign ? '+' : ''
  return sign + figure + (options.unit ? ` ${UNIT_NAME[unit]}` : '')
}

/** Decimals of readings as they were taken: as many more as show a figure that was read finer than usual, and none where it was read in the other system. */
export function readDecimals(values: readonly number[], unit: LengthUnit): number {
  const extra = systemOf(unit) === 'metric' ? [0, 1] : [0, 1, 2]
  const exactWith = (value: number) => extra.find(more => (value * 10 ** (DECIMALS[unit] + more)) % NM_PER[unit] === 0) ?? 0
  return DECIMALS[unit] + Math.max(0, ...values.map(exactWith))
}
export const asRead = (value: number, unit: LengthUnit, options: Omit<FormatOptions, 'decimals' | 'fine'> = {}): string =>
  formatLength(value, unit, { ...options, decimals: readDecimals([value], unit) })

/** Was a size meant in inches? Whole tenths of a thou, or quarters of one that are no whole micrometres: 18, 63.25 thou. */
export const meantInInches = (value: number): boolean =>
  value % NM_PER.tenth === 0 || (value % (NM_PER.tenth / 4) === 0 && value % NM_PER.um !== 0)

/** Decimals of pieces: micrometres, or as many as show a quarter of a thou that was made so. */
export const pieceDecimals = (values: readonly number[], unit: LengthUnit): number =>
  systemOf(unit) === 'metric' ? DECIMALS[unit] : readDecimals(values, unit)
/** The size of a piece: 18, 63.25, 0.457. */
export const pieceText = (value: number, unit: LengthUnit): string =>
  formatLength(value, unit, { trim: true, decimals: pieceDecimals([value], unit) })

/** How a length is shown: a whole size in inches or millimetres, a play in thou or millimetres. */
export type Scale = 'play' | 'size'
/** The unit that stands beside an entry in `unit`: the other system, at the same fineness. */
export const otherUnit = (unit: LengthUnit, scale: Scale = 'play'): LengthUnit =>
  unitFor(systemOf(unit) === 'metric' ? 'inch' : 'metric', scale)
/** What stands beside an entry in the unit of its gauge: the check’s unit, or where that is the same, the other system. */
export const besideUnit = (unit: LengthUnit, check: LengthUnit, scale: Scale): LengthUnit => {
  const own = scale === 'size' ? unitFor(systemOf(check), 'size') : check
  return own === unit ? otherUnit(unit, scale) : own
}
export const unitFor = (system: UnitSystem, scale: Scale = 'play'): LengthUnit =>
  system === 'metric' ? 'mm' : scale === 'size' ? 'in' : 'thou'

/**
 * Decimals that keep the printed figure on the same side of a limit as the true one:
 * 2.04 against an upper limit of 2 must not print as "2.0, loose".
 */
export function decimalsApart(value: number, limits: readonly number[], unit: LengthUnit): number {
  let decimals = DECIMALS[unit]
  for (; decimals < DECIMALS[unit] + 3; decimals++) {
    const shown = Math.round((value * 10 ** decimals) / NM_PER[unit])
    const clash = limits.some(limit => value !== limit && shown === Math.round((limit * 10 ** decimals) / NM_PER[unit]))
    if (!clash) break
  }
  return decimals
}
