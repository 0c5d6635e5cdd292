import { combine, type BudgetLine } from './budget'
import type { Estimate } from './estimate'

/** One term of a result: factor × estimate. */
export interface Term {
  readonly name: string
  readonly factor: number
  readonly estimate: Estimate
}

/**
 * A result that is a sum of measured figures, such as clearance = bore − journal or the mean of two stations.
 *
 * What two terms share (lines of one carrier: the same micrometer, the same master) is added with its signs first and carried
 * once; the rest is independent. Source: JCGM 100:2008, 5.2.2 with correlation coefficients of 1.
 */
export function sumOf(terms: readonly Term[], extra: readonly BudgetLine[] = []): Estimate {
  const own: BudgetLine[] = []
  const carried = new Map<string, { line: BudgetLine; u: number; names: string[] }>()
  for (const { name, factor, estimate } of terms) {
    for (const line of estimate.lines) {
      if (line.carrier === undefined) {
        own.push({ ...line, u: Math.abs(factor) * line.u, words: `${name}: ${line.words}` })
        continue
      }
      const key = `${line.carrier} ${line.source}`
      const found = carried.get(key) ?? { line, u: 0, names: [] }
      carried.set(key, { line, u: found.u + factor * line.u, names: [...found.names, name] })
    }
  }
  const shared = [...carried.values()].map(({ line, u, names }): BudgetLine => ({
    ...line,
    u: Math.abs(u) < 1e-9 ? 0 : Math.abs(u),
    words: `${[...new Set(names)].join(' and ')}: ${line.words}${names.length > 1 ? ', carried once' : ''}`,
  }))
  const lines = [...own, ...shared, ...extra]
  return {
    value: terms.reduce((sum, term) => sum + term.factor * term.estimate.value, 0),
    n: Math.min(...terms.map(term => term.estimate.n)),
    lines,
    ...combine(lines),
    oneMore: null,
  }
}

/** The mean of several figures of one kind. */
export const meanOf = (terms: readonly Omit<Term, 'factor'>[]): Estimate =>
  sumOf(terms.map(term => ({ ...term, factor: 1 / terms.length })))
