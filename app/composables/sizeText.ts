import { formatLength, meantInInches, pieceText } from '#core/quantity/format-length'
import { NM_PER, systemOf, UNIT_NAME, type LengthUnit } from '#core/quantity/length'

/** Decimals beyond which a figure was not meant in that unit: a tenth part of what is shown of it anywhere. */
const MEANT: Readonly<Record<LengthUnit, number>> = { thou: 3, tenth: 2, in: 6, mm: 4, um: 1 }

/**
 * A length for a field in this unit, never another figure than it holds: with as many decimals as it needs, or with its unit where it
 * was meant in the other system. A micrometre in a field of thou is `0.001 mm`, not 0.03937.
 */
export function exactText(length: number, unit: LengthUnit): string {
  const other = systemOf(unit) === 'metric' ? 'thou' : 'mm'
  const inOther = isWhole(length, other) ? `${withDecimals(length, other)} ${UNIT_NAME[other]}` : null
  return isWhole(length, unit) || inOther === null ? withDecimals(length, unit) : inOther
}
const fits = (length: number, unit: LengthUnit, decimals: number) =>
  Number.isInteger(Math.round(((length * 10 ** decimals) / NM_PER[unit]) * 1e6) / 1e6)
const isWhole = (length: number, unit: LengthUnit) => fits(length, unit, MEANT[unit])
function withDecimals(length: number, unit: LengthUnit): string {
  const decimals = [1, 2, 3, 4, 5].find(some => fits(length, unit, some)) ?? 6
  return formatLength(length, unit, { decimals, trim: true })
}

/** A size in the system it was made in: `4 thou`, `0.10 mm`. */
export const markedText = (length: number): string =>
  meantInInches(length)
    ? `${pieceText(length, 'thou')} thou`
    : formatLength(length, 'mm', { unit: true, decimals: length % 10_000 === 0 ? 2 : 3 })
