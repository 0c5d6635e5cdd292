/**
 * Arithmetic mean; two passes, so that a large common offset costs no digits (NIST StRD, univariate).
 * @example mean([1, 2, 6]) // 3
 */
export function mean(values: readonly number[]): number {
  const n = values.length
  const first = values.reduce((a, b) => a + b, 0) / n
  return first + values.reduce((a, b) => a + (b - first), 0) / n
}

/**
 * Sample standard deviation (n − 1), corrected two-pass. NaN for fewer than two values.
 * @example standardDeviation([1, 2, 3]) // 1
 */
export function standardDeviation(values: readonly number[]): number {
  const n = values.length
  if (n < 2) return Number.NaN
  const m = mean(values)
  let squares = 0
  let rest = 0
  for (const value of values) {
    squares += (value - m) ** 2
    rest += value - m
  }
  return Math.sqrt((squares - (rest * rest) / n) / (n - 1))
}

/** @example median([1, 9, 2]) // 2 */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** Of a normal distribution: 1 / Φ⁻¹(3/4). */
export const MAD_TO_SIGMA = 1.4826

/**
 * Median of the deviations from the median, scaled so that it is the standard deviation where the values are normal.
 * @example scaledMad([1, 2, 9]) // 1.4826
 */
export function scaledMad(values: readonly number[]): number {
  const centre = median(values)
  return MAD_TO_SIGMA * median(values.map(value => Math.abs(value - centre)))
}

/**
 * Root of the sum of squares: how independent uncertainties add.
 * @example quadrature(3, 4) // 5
 */
export const quadrature = (...parts: number[]): number => Math.sqrt(parts.reduce((sum, part) => sum + part * part, 0))
