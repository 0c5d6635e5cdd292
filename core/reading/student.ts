/**
 * Normal and Student's t distributions, two functions each way.
 * Regularised incomplete beta by its continued fraction (Abramowitz & Stegun 26.5.8), normal by the complementary error function.
 */

const LANCZOS = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905, -0.13857109526572012,
  9.9843695780195716e-6, 1.5056327351493116e-7,
]

function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  let sum = 0.99999999999980993
  LANCZOS.forEach((c, i) => {
    sum += c / (x + i)
  })
  const t = x + LANCZOS.length - 1.5
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum)
}

/** Continued fraction of the incomplete beta function, modified Lentz. */
function betaFraction(x: number, a: number, b: number): number {
  const tiny = 1e-300
  let c = 1
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || tiny)
  let h = d
  for (let m = 1; m <= 300; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / (1 + even * d || tiny)
    c = 1 + even / c || tiny
    h *= d * c
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / (1 + odd * d || tiny)
    c = 1 + odd / c || tiny
    const step = d * c
    h *= step
    if (Math.abs(step - 1) < 1e-15) break
  }
  return h
}

function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x))
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(x, a, b)) / a : 1 - (front * betaFraction(1 - x, b, a)) / b
}

/**
 * P(Z ≤ z) of the standard normal distribution.
 * @example normalCdf(1.959964) // 0.975
 */
export function normalCdf(z: number): number {
  if (z === 0) return 0.5
  const x = Math.abs(z)
  if (x > 38) return z > 0 ? 1 : 0
  // West (2005), double precision; both tails from the same rational function.
  const e = Math.exp((-x * x) / 2)
  let tail: number
  if (x < 7.07106781186547) {
    const top =
      (((((3.52624965998911e-2 * x + 0.700383064443688) * x + 6.37396220353165) * x + 33.912866078383) * x + 112.079291497871) * x +
        221.213596169931) *
        x +
      220.206867912376
    const bottom =
      ((((((8.83883476483184e-2 * x + 1.75566716318264) * x + 16.064177579207) * x + 86.7807322029461) * x + 296.564248779674) * x +
        637.333633378831) *
        x +
        793.826512519948) *
        x +
      440.413735824752
    tail = (e * top) / bottom
  } else {
    tail = e / (x + 1 / (x + 2 / (x + 3 / (x + 4 / (x + 0.65))))) / 2.506628274631
  }
  return z > 0 ? 1 - tail : tail
}

/** P(T ≤ t) of Student's t with ν degrees of freedom (ν may be Infinity). */
export function studentCdf(t: number, nu: number): number {
  if (t === 0) return 0.5
  if (nu > 1e6) return normalCdf(t)
  const tail = incompleteBeta(nu / (nu + t * t), nu / 2, 0.5) / 2
  return t > 0 ? 1 - tail : tail
}

const quantiles = new Map<string, number>()

/**
 * t with P(T ≤ t) = p, by bisection on the distribution function (JCGM 100:2008 table G.2 to all its digits).
 * @param p  between 0 and 1, exclusive
 */
export function studentQuantile(p: number, nu: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError('A probability lies between 0 and 1')
  if (p === 0.5) return 0
  if (p < 0.5) return -studentQuantile(1 - p, nu)
  const key = `${p}/${nu}`
  const known = quantiles.get(key)
  if (known !== undefined) return known
  let low = 0
  let high = 1
  while (studentCdf(high, nu) < p) high *= 2
  for (let i = 0; i < 200 && high - low > 1e-14 * high; i++) {
    const middle = (low + high) / 2
    if (studentCdf(middle, nu) < p) low = middle
    else high = middle
  }
  quantiles.set(key, (low + high) / 2)
  return (low + high) / 2
}

export const normalQuantile = (p: number): number => studentQuantile(p, Infinity)

/**
 * Coverage factor for a two-sided interval: k95 is `coverageFactor(ν)`.
 * @example coverageFactor(2) // 4.30265
 */
export const coverageFactor = (nu: number, level = 0.95): number => studentQuantile((1 + level) / 2, nu)

/** Upper 95 % point of chi-square, 1 to 10 degrees of freedom (Abramowitz & Stegun table 26.8). */
export const CHI_SQUARE_95: readonly number[] = [0, 3.841, 5.991, 7.815, 9.488, 11.07, 12.592, 14.067, 15.507, 16.919, 18.307]
