/**
 * Kendall's rank test for a trend, exact and two-sided: is what comes later larger more often than chance would have it? It asks nothing of
 * how the figures are spread, and one that jumped counts no more than one that rose.
 *
 * S is the pairs that rise less those that fall. Where order means nothing every order is as likely, and the falling pairs of n figures
 * have the generating function Π (1 + q + … + q^(k−1)), k = 1…n; with ties that of the multiset, the q-multinomial. Runs that are not
 * joined are ranked each by itself and their S added (Kendall, Rank Correlation Methods; Hirsch and Slack for several runs; from memory).
 * @param runs  each in its order
 * @returns S, and the chance of one as far from zero or further
 * @example kendall([[1, 2, 3, 4, 5]]).s // 10
 */
export function kendall(runs: readonly (readonly number[])[]): { readonly s: number; readonly p: number } {
  const s = runs.reduce((sum, run) => sum + score(run), 0)
  // By the number of falling pairs; S = all pairs that can differ − 2 × those.
  const ways = runs.map(orders).reduce(product, [1])
  const pairs = ways.length - 1
  const all = ways.reduce((sum, count) => sum + count, 0)
  const asFar = ways.reduce((sum, count, falling) => sum + (Math.abs(pairs - 2 * falling) >= Math.abs(s) ? count : 0), 0)
  return { s, p: asFar / all }
}

const score = (run: readonly number[]): number =>
  run.reduce((sum, value, i) => sum + run.slice(i + 1).reduce((pairs, later) => pairs + Math.sign(later - value), 0), 0)

/** How many orders of a run have so many falling pairs. */
function orders(run: readonly number[]): number[] {
  const ties = [...new Set(run)].map(value => run.filter(other => other === value).length)
  return ties.reduce((ways, count) => quotient(ways, factorial(count)), factorial(run.length))
}
const factorial = (n: number): number[] => Array.from({ length: n }, (_, k) => Array<number>(k + 1).fill(1)).reduce(product, [1])

function product(a: readonly number[], b: readonly number[]): number[] {
  const result = Array<number>(a.length + b.length - 1).fill(0)
  for (const [i, x] of a.entries()) for (const [j, y] of b.entries()) result[i + j]! += x * y
  return result
}
/** Of polynomials that divide without a rest, the divisor beginning with 1. */
function quotient(a: readonly number[], b: readonly number[]): number[] {
  const rest = [...a]
  return Array.from({ length: a.length - b.length + 1 }, (_, i) => {
    const factor = rest[i]!
    for (const [j, y] of b.entries()) rest[i + j]! -= factor * y
    return factor
  })
}
