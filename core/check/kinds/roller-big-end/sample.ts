import { combine, type BudgetLine } from '../../../reading/budget'
import type { Estimate } from '../../../reading/estimate'
import { standardDeviation } from '../../../reading/statistics'
import { normalQuantile } from '../../../reading/student'
import { meanOf } from '../../../reading/sum'

/** Fewer rollers show no scatter to go by. */
export const LEAST_SAMPLE = 3

/**
 * How far the largest of n lies above their mean, in standard deviations, where sizes scatter normally: about 1.82 for 18.
 * Source: G. Blom (1958), Φ⁻¹((n − 0.375)/(n + 0.25)), from memory; at most 0.025 above the tabled expectations from n = 3 on, so on the safe side.
 */
export const expectedLargest = (n: number): number => normalQuantile((n - 0.375) / (n + 0.25))

/** The standard deviation of so few is too small on average by this factor, c₄ (NIST/SEMATECH e-Handbook 6.3.2, from memory), to a thousandth from five on. */
const shortfall = (n: number): number => (4 * n - 4) / (4 * n - 3)

/** How much the largest of n itself scatters from one set to the next, in standard deviations: the Gumbel limit, above the tabled figures. */
const scatterOfLargest = (n: number): number => (n <= 2 ? 1 : Math.min(1, Math.PI / Math.sqrt(12 * Math.log(n))))

/**
 * The ends of a set nobody measured whole, from a sample of its bag: mean ± what the largest of a set lies above it.
 *
 * Its uncertainty: of the sample's mean, of its scatter, and of the largest roller from set to set; ν = sample − 1. What the
 * micrometer does to every figure alike is carried once.
 * @param sample  figures of `LEAST_SAMPLE` rollers or more of one bag
 * @param count   rollers in the set
 */
export function endsFromSample(sample: readonly Estimate[], count: number): { smallest: Estimate; largest: Estimate; scatter: number } {
  const n = sample.length
  const bag = meanOf(sample.map((estimate, i) => ({ name: `roller ${i + 1}`, estimate })))
  const alike = bag.lines.filter(line => line.shared)
  // Figures that are all the same scatter by less than can be read, not by nothing.
  const readable = Math.max(...sample.map(({ lines }) => Math.sqrt(lines.reduce((sum, line) => sum + (line.shared ? 0 : line.u ** 2), 0))))
  const scatter = Math.max(standardDeviation(sample.map(({ value }) => value)) / shortfall(n), readable)
  const away = expectedLargest(count)
  const line: BudgetLine = {
    source: 'pieces',
    words: `Sample of ${n} for a set of ${count}: scatter of the bag, its mean, and the end roller from set to set`,
    u: scatter * Math.sqrt(1 / n + away ** 2 / (2 * (n - 1)) + scatterOfLargest(count) ** 2),
    nu: n - 1,
    shared: false,
  }
  const end = (sign: 1 | -1): Estimate => {
    const lines = [...alike, line]
    return { value: bag.value + sign * away * scatter, n, lines, ...combine(lines), oneMore: null }
  }
  return { smallest: end(-1), largest: end(1), scatter }
}
