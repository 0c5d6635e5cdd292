/** Arithmetic mean; two passes, so that a large common offset costs no digits (NIST StRD, univariate). */
export function mean(values: readonly number[]): number {
  const n = values.length
  const first = values.reduce((a, b) => a + b, 0) / n
  return first + values.reduce((a, b) => a + (b - first), 0) / n
}

/** Sample standard deviation (n − 1), corrected two-pass. NaN for fewer than two values. */
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

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** Root of the sum of squares: how independent uncertainties add. */
export const quadrature = (...parts: number[]): number => Math.sqrt(parts.reduce((sum, part) => sum + part * part, 0))

export interface StraightLine {
  readonly intercept: number
  readonly slope: number
  readonly uIntercept: number
  readonly uSlope: number
  /** correlation coefficient of intercept and slope */
  readonly correlation: number
  /** residual standard deviation, n − 2 degrees of freedom */
  readonly s: number
  readonly degreesOfFreedom: number
}

/**
 * Least-squares straight line y = intercept + slope·(x − x0), as in JCGM 100:2008 H.3.
 * @throws RangeError for fewer than three points, or when all x are the same
 */
export function straightLine(x: readonly number[], y: readonly number[], x0 = 0): StraightLine {
  const n = x.length
  if (n < 3 || y.length !== n) throw new RangeError('A straight line with its uncertainty needs three points or more')
  const mx = mean(x)
  const my = mean(y)
  let sxx = 0
  let sxy = 0
  for (let i = 0; i < n; i++) {
    sxx += (x[i]! - mx) ** 2
    sxy += (x[i]! - mx) * (y[i]! - my)
  }
  if (sxx === 0) throw new RangeError('All the thicknesses are the same: there is no slope to be seen')
  const slope = sxy / sxx
  const intercept = my - slope * (mx - x0)
  let squares = 0
  for (let i = 0; i < n; i++) squares += (y[i]! - my - slope * (x[i]! - mx)) ** 2
  const s = Math.sqrt(squares / (n - 2))
  const d = mx - x0
  const uSlope = s / Math.sqrt(sxx)
  const uIntercept = s * Math.sqrt(1 / n + (d * d) / sxx)
  return {
    intercept,
    slope,
    uIntercept,
    uSlope,
    s,
    degreesOfFreedom: n - 2,
    correlation: -d / sxx / Math.sqrt((1 / n + (d * d) / sxx) / sxx),
  }
}

/** Standard uncertainty of the line at x (JCGM 100:2008 H.3.4); add s in quadrature for a single new observation. */
export function lineUncertainty(line: StraightLine, dx: number): number {
  return Math.sqrt(line.uIntercept ** 2 + (dx * line.uSlope) ** 2 + 2 * dx * line.uIntercept * line.uSlope * line.correlation)
}
