import { jStat } from 'jstat'

/**
 * P(T ≤ t) by the library; from ten thousand degrees of freedom on, where it loses its digits near zero, by the normal distribution and
 * the first term beside it (Abramowitz and Stegun, 26.7.8).
 */
export const upToT = (t: number, nu: number): number =>
  nu > 1e4
    ? jStat.normal.cdf(t, 0, 1) - (((t ** 3 + t) / (4 * nu)) * Math.exp(-(t ** 2) / 2)) / Math.sqrt(2 * Math.PI)
    : jStat.studentt.cdf(t, nu)
