/**
 * Torque, force, angle and temperature, each a whole number of a small unit, as lengths are of nanometres: nN·m, µN, thousandths of a
 * degree, millionths of a kelvin from 0 °C. They never mix: what takes a torque is not given a thickness.
 */
export type MeasureKind = 'torque' | 'force' | 'angle' | 'temperature'
declare const brand: unique symbol
export type Measure<Kind extends MeasureKind> = number & { readonly [brand]: Kind }
export type Torque = Measure<'torque'>
export type Force = Measure<'force'>
export type Angle = Measure<'angle'>
export type Temperature = Measure<'temperature'>

export type MeasureUnit<Kind extends MeasureKind = MeasureKind> = {
  torque: 'N·m' | 'in·lb' | 'ft·lb' | 'kgf·cm'
  force: 'N' | 'kgf' | 'lbf' | 'oz'
  angle: '°' | 'h'
  temperature: '°C' | '°F'
}[Kind]

/** µN in a kilogram-force: standard gravity, 9.80665 m/s² exactly (3rd CGPM, 1901). */
const KGF = 9_806_650
/** µN in a pound-force: 0.45359237 kg exactly (international yard and pound agreement, 1959) in standard gravity. */
const LBF = 0.45359237 * KGF
/** m in an inch */
const INCH = 0.0254

interface UnitOf {
  /** whole small units in one of it; a fraction of one where the unit is not decimal */
  readonly per: number
  /** small units at which it reads zero, where that is not where they begin; a change has no such place */
  readonly zero?: number
  /** shown to so many decimals */
  readonly decimals: number
  readonly spelt: readonly string[]
}
/** @see NIST SP 811, appendix B, for the factors */
export const UNITS: { readonly [Kind in MeasureKind]: Readonly<Record<MeasureUnit<Kind>, UnitOf>> } = {
  torque: {
    N·m: { per: 1e9, decimals: 2, spelt: ['nm', 'n·m', 'n m', 'n*m', 'newton metre', 'newton metres'] },
    in·lb: { per: INCH * LBF * 1000, decimals: 1, spelt: ['inlb', 'in·lb', 'in lb', 'in-lb', 'lb in', 'lbf in', 'lbin', 'inch pounds'] },
    ft·lb: {
      per: 12 * INCH * LBF * 1000,
      decimals: 1,
      spelt: ['ftlb', 'ft·lb', 'ft lb', 'ft-lb', 'lb ft', 'lbf ft', 'lbft', 'foot pounds'],
    },
    kgf·cm: { per: 0.01 * KGF * 1000, decimals: 1, spelt: ['kgfcm', 'kgf·cm', 'kgf cm', 'kg cm', 'kgcm', 'kg·cm'] },
  },
  force: {
    N: { per: 1e6, decimals: 1, spelt: ['n', 'newton', 'newtons'] },
    kgf: { per: KGF, decimals: 2, spelt: ['kgf', 'kg', 'kp'] },
    lbf: { per: LBF, decimals: 2, spelt: ['lbf', 'lb', 'lbs', 'pounds'] },
    oz: { per: LBF / 16, decimals: 1, spelt: ['oz', 'ozf', 'ounces'] },
  },
  angle: {
    '°': { per: 1000, decimals: 1, spelt: ['°', 'deg', 'degree', 'degrees'] },
    // Positions on a clock: twelve hours are one turn.
    'h': { per: 30_000, decimals: 1, spelt: ['h', "o'clock", 'oclock', 'hours'] },
  },
  temperature: {
    '°C': { per: 1e6, decimals: 1, spelt: ['°c', 'c', '° c', 'deg c', 'degc', 'celsius'] },
    // 32 °F is 0 °C, and a degree of it five ninths of a kelvin: exact by definition (NIST SP 811, B.8).
    '°F': { per: 1e6 / 1.8, zero: -32e6 / 1.8, decimals: 1, spelt: ['°f', 'f', '° f', 'deg f', 'degf', 'fahrenheit'] },
  },
}

export type MeasureEntry<Kind extends MeasureKind> =
  | { readonly ok: true; readonly value: Measure<Kind>; readonly unit: MeasureUnit<Kind> }
  | { readonly ok: false; readonly reason: string }

const NAME = { torque: 'torque', force: 'force', angle: 'angle', temperature: 'temperature' } as const
const EXAMPLE = { torque: '1.2 N·m or 10 in·lb', force: '4 N or 0.4 kgf', angle: '3:42, or 111°', temperature: '20 °C or 68 °F' } as const
const ABSOLUTE_ZERO = -273.15e6
const HOTTEST = 1000e6

/**
 * A figure as it is typed: `1.2`, `1,2 N·m`, `10 in lb`, `-0.5`. A bare figure is in `bare`, as it stands beside the field.
 * @param change  by how much, not how much: 9 °F more are 5 °C more
 * @returns a whole number of the small unit, or a sentence
 */
export function parseMeasure<Kind extends MeasureKind>(
  text: string,
  kind: Kind,
  bare: MeasureUnit<Kind>,
  change = false,
): MeasureEntry<Kind> {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[−–—]/g, '-')
    .replace(/[’′]/g, "'")
    .replace(/⋅/g, '·')
    .replace(/º/g, '°')
    .replace(/\s+/g, ' ')
  if (plain === '') return { ok: false, reason: 'Nothing typed yet.' }
  const clock = kind === 'angle' ? clockPlace(plain) : null
  if (clock !== null) return { ok: true, value: clock as Measure<Kind>, unit: 'h' as MeasureUnit<Kind> }
  const match = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)) ?(.*)$/.exec(plain)
  if (!match) return { ok: false, reason: `“${text.trim()}” is no ${NAME[kind]}. Type ${EXAMPLE[kind]}.` }
  const units = Object.entries(UNITS[kind]) as [MeasureUnit<Kind>, UnitOf][]
  const named = match[2] === '°' && kind === 'temperature' ? '' : match[2]
  const unit = named === '' ? bare : units.find(([, { spelt }]) => spelt.includes(named!))?.[0]
  if (unit === undefined)
    return { ok: false, reason: `“${match[2]}” is no unit of ${NAME[kind]}: ${units.map(([name]) => name).join(', ')}.` }
  const { per, zero = 0 } = unitOf(kind, unit)
  const value = Math.round(Number(match[1]!.replace(',', '.')) * per + (change ? 0 : zero))
  if (kind === 'temperature' && !change && value < ABSOLUTE_ZERO)
    return { ok: false, reason: 'Nothing is that cold: absolute zero is −273.15 °C.' }
  if (kind === 'temperature' && value > HOTTEST) return { ok: false, reason: 'No part on a bench is that hot.' }
  if (!Number.isSafeInteger(value)) return { ok: false, reason: `No ${NAME[kind]} on a bench is as large as that.` }
  return { ok: true, value: (value === 0 ? 0 : value) as Measure<Kind>, unit }
}

/** `3:42` as an angle from 12, the way a clock goes: half a degree a minute. Null: not typed so. */
function clockPlace(text: string): number | null {
  const match = /^(\d{1,2}):([0-5]\d)(?: ?(?:h|o'clock))?$/.exec(text)
  if (!match || Number(match[1]) > 12) return null
  return (Number(match[1]) % 12) * 30_000 + Number(match[2]) * 500
}

const unitOf = <Kind extends MeasureKind>(kind: Kind, unit: MeasureUnit<Kind>): UnitOf =>
  (UNITS[kind] as Readonly<Record<string, UnitOf>>)[unit]!
