import { formatFigure, isLengthUnit, perUnit, systemOf, unitName, zeroOf, type Unit } from '#core/quantity/figure'
import type { LengthUnit } from '#core/quantity/length'

/** Decimals beyond which a figure was not meant in that unit: a tenth part of what is shown of it anywhere. */
const MEANT: Readonly<Record<LengthUnit, number>> = { thou: 3, tenth: 2, in: 6, mm: 4, um: 1 }

/**
 * A figure for a field in this unit, never another than it holds: with as many decimals as it needs, or with its unit where it
 * was meant in the other system. A micrometre in a field of thou is `0.001 mm`, not 0.03937.
 */
export function exactText(value: number, unit: Unit, change = false): string {
  if (!isLengthUnit(unit)) return withDecimals(change ? value + zeroOf(unit) : value, unit)
  const other = systemOf(unit) === 'metric' ? 'thou' : 'mm'
  const inOther = isWhole(value, other) ? `${withDecimals(value, other)} ${unitName(other)}` : null
  return isWhole(value, unit) || inOther === null ? withDecimals(value, unit) : inOther
}
const fits = (value: number, unit: Unit, decimals: number) =>
  Number.isInteger(Math.round((((value - zeroOf(unit)) * 10 ** decimals) / perUnit(unit)) * 1e6) / 1e6)
const isWhole = (length: number, unit: LengthUnit) => fits(length, unit, MEANT[unit])
function withDecimals(value: number, unit: Unit): string {
  const decimals = [1, 2, 3, 4, 5].find(some => fits(value, unit, some)) ?? 6
  return formatFigure(value, unit, { decimals, trim: true })
}
