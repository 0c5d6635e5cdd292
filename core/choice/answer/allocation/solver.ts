/** A linear programme's answer. */
export interface Solved {
  readonly status: 'optimal' | 'infeasible' | 'unfinished'
  readonly value: number
  /** of a variable; 0 where it does not appear */
  readonly of: (variable: string) => number
  /** what the value grows by at least where a variable at zero is made one: its reduced cost, of a programme without whole numbers */
  readonly reduced: (variable: string) => number
  /** what the value grows by where the right side of a row does: its dual, of a programme without whole numbers */
  readonly price: (row: string) => number
}

/**
 * A solver of mixed-integer linear programmes, exact (no gap).
 * @param lp  in the LP format
 * @param seconds  after which it gives up
 */
export type Solve = (lp: string, seconds: number) => Solved

/** The part of HiGHS’ interface that is used. */
interface Highs {
  solve(
    lp: string,
    options: Record<string, unknown>,
  ): {
    Status: string
    ObjectiveValue: number
    Columns: Record<string, { Primal?: number; Dual?: number }>
    Rows: readonly { Name: string; Dual?: number }[]
  }
}

/** @param highs  as its package loads it; loading differs between a browser and a server */
export const highsSolver =
  (highs: unknown): Solve =>
  (lp, seconds) => {
    const solution = (highs as Highs).solve(lp, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: seconds, output_flag: false })
    let prices: Map<string, number> | null = null
    const rows = () => (prices ??= new Map(solution.Rows.map(({ Name, Dual }) => [Name, Dual ?? 0])))
    const status =
      solution.Status === 'Optimal' ? 'optimal' : solution.Status.toLowerCase().includes('infeasible') ? 'infeasible' : 'unfinished'
    return {
      status,
      value: solution.ObjectiveValue,
      of: variable => solution.Columns[variable]?.Primal ?? 0,
      price: row => rows().get(row) ?? 0,
      reduced: variable => solution.Columns[variable]?.Dual ?? 0,
    }
  }

/** `+ 2 x - 3 y`; a sum of nothing still needs a variable. */
export const linear = (terms: readonly (readonly [number, string])[]): string =>
  terms
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ') || '0 nothing'
