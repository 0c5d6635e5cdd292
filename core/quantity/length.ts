/**
 * Exact lengths.
 *
 * A length is a whole number of nanometres, so that thou (25 400 nm) and millimetres (1 000 000 nm) add without rounding.
 * 1 in = 25.4 mm exactly: international yard and pound agreement, 1959.
 */
declare const brand: unique symbol
export type Nm = number & { readonly [brand]: 'nm' }

export type LengthUnit = 'thou' | 'tenth' | 'in' | 'mm' | 'um'

/** Nanometres in one of each unit. */
export const NM_PER: Readonly<Record<LengthUnit, number>> = {
  thou: 25_400,
  tenth: 2_540,
  in: 25_400_000,
  mm: 1_000_000,
  um: 1_000,
}

/** How each unit is written after a figure. */
export const UNIT_NAME: Readonly<Record<LengthUnit, string>> = { thou: 'thou', tenth: 'tenths', in: 'in', mm: 'mm', um: 'µm' }

export type UnitSystem = 'inch' | 'metric'

/**
 * A whole number of nanometres as a length.
 * @throws RangeError when `n` is not a safe integer
 */
export function nm(n: number): Nm {
  if (!Number.isSafeInteger(n)) throw new RangeError(`${n} is no whole number of nanometres`)
  return (n === 0 ? 0 : n) as Nm
}

/**
 * `thou(7.5)` is 190 500 nm. For constants and tests: what a technician types goes through `parseLength`.
 * @example thou(19) // 482600
 */
export const thou = (n: number): Nm => nm(Math.round(n * NM_PER.thou))
export const inches = (n: number): Nm => nm(Math.round(n * NM_PER.in))
/** @example mm(0.05) // 50000 */
export const mm = (n: number): Nm => nm(Math.round(n * NM_PER.mm))

export const ZERO = nm(0)
