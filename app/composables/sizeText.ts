import { formatLength } from '#core/quantity/format-length'
import { NM_PER, type LengthUnit } from '#core/quantity/length'

/** As many decimals as the length needs in this unit, so that a field never shows another figure than it holds. */
export function exactText(length: number, unit: LengthUnit): string {
  for (let decimals = 1; decimals < 6; decimals++) {
    if (Number.isInteger(Math.round(((length * 10 ** decimals) / NM_PER[unit]) * 1e6) / 1e6))
      return formatLength(length, unit, { decimals, trim: true })
  }
  return formatLength(length, unit, { decimals: 6, trim: true })
}

/** A size in the system it was made in: `4 thou`, `0.10 mm`. */
export const markedText = (length: number): string =>
  length % NM_PER.tenth === 0
    ? formatLength(length, 'thou', { unit: true, trim: true })
    : formatLength(length, 'mm', { unit: true, decimals: length % 10_000 === 0 ? 2 : 3 })
