import { coverageFactor } from './student'

/** Where an uncertainty comes from. `id` names it in files. */
export type BudgetSource =
  | 'repeatability'
  | 'resolution'
  | 'gauge-error'
  | 'hysteresis'
  | 'closing'
  | 'standard'
  | 'temperature'
  | 'refit'
  | 'pieces'
  | 'micrometer'

export interface BudgetLine {
  readonly source: BudgetSource
  /** What it is and how the figure was got, for the table. */
  readonly words: string
  /** Standard uncertainty of the result from this line, nm. */
  readonly u: number
  /** Degrees of freedom; Infinity where the figure is taken as known. JSON holds null for Infinity. */
  readonly nu: number
  /** Carried alike by every reading of this gauge: leaves a comparison of two of them, and never averages down. */
  readonly shared: boolean
  /** What carries it (a gauge, a master): lines of one carrier add with their signs when results are combined. */
  readonly carrier?: string
  /** Taken from a statement, not from these readings. */
  readonly assumed?: boolean
}

export interface Combined {
  readonly u: number
  /** effective degrees of freedom, truncated as they are used */
  readonly nu: number
  /** before they were truncated: what goes on into another sum */
  readonly nuExact: number
  readonly k: number
  readonly U: number
}

/** Effective degrees of freedom as they are used: whole, truncated (JCGM 100:2008, G.4.1). */
export const wholeFreedom = (nu: number): number => (Number.isFinite(nu) ? Math.max(1, Math.floor(nu * (1 + 1e-12))) : nu)

/**
 * Combined standard uncertainty, effective degrees of freedom (Welch–Satterthwaite, truncated) and expanded uncertainty.
 * Source: JCGM 100:2008, 5.1.2, G.4.1, G.6.4.
 * @param lines  independent contributions, u in nm
 * @param level  coverage, 0.95 unless said
 * @example combine([{ u: 3, nu: Infinity }, { u: 4, nu: Infinity }]) // { u: 5, nu: Infinity }
 */
export function combine(lines: readonly Pick<BudgetLine, 'u' | 'nu'>[], level = 0.95): Combined {
  const variance = lines.reduce((sum, line) => sum + line.u ** 2, 0)
  const fourth = lines.reduce((sum, line) => sum + (Number.isFinite(line.nu) ? line.u ** 4 / line.nu : 0), 0)
  const nuExact = fourth === 0 ? Infinity : variance ** 2 / fourth
  const nu = wholeFreedom(nuExact)
  const k = coverageFactor(nu, level)
  const u = Math.sqrt(variance)
  return { u, nu, nuExact, k, U: k * u }
}

/**
 * Standard uncertainty of a rectangular distribution of half-width a.
 * @example rectangular(3) // Math.sqrt(3)
 */
export const rectangular = (a: number): number => a / Math.sqrt(3)
