import highsLoader from 'highs'
import type { PreparedDrawer } from '#core/pack/chooser/prepare'

export type Solver = Awaited<ReturnType<typeof highsLoader>>
export const solver = (): Promise<Solver> => highsLoader()

export interface LexicographicBest { readonly bin: number, readonly pieces: number, readonly variance: number, readonly changes: number, readonly cost: number }

/** Whole numbers a solver can hold: everything in steps of `grid` nm. */
interface Model { readonly drawer: PreparedDrawer, readonly basePlay: number, readonly aim: number, readonly width: number, readonly allowed: { low: number, high: number } }

const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b))
const sum = (terms: readonly (readonly [number, string])[]) => terms.filter(([c]) => c !== 0).map(([c, v]) => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${v}`).join(' ') || '0 b'

/**
 * The best pack by an integer programme, solved criterion by criterion, gap 0: distance in bins, pieces, Σu², changes, cost.
 * One piece a pick, no class of chance: `allowed` is what a caller makes of the limits. Null when infeasible or out of time.
 * @param criteria  how many of the five to solve for
 */
export function lexicographic(highs: Solver, { drawer, basePlay, aim, width, allowed }: Model, seconds: number, criteria = 5): LexicographicBest | null {
  const n = drawer.lots.length
  const x = (i: number) => `x${i}`
  const grid = [width, aim - basePlay, ...drawer.size].reduce(gcd, 0)
  const c = drawer.response.perPiece
  const total = drawer.size.map((size, i) => [c * size / grid, x(i)] as const)
  const offset = (aim - basePlay) / grid
  const w = width / grid
  const goals = [
    [[1, 'b']] as const,
    drawer.size.map((_, i) => [1, x(i)] as const),
    drawer.variance.map((v, i) => [v / 1000, x(i)] as const),
    drawer.size.map((_, i) => [1, `d${i}`] as const),
    drawer.cost.map((v, i) => [v, x(i)] as const),
  ]
  const fixed: string[] = []
  const found: number[] = []
  const began = Date.now()
  for (const goal of goals.slice(0, criteria)) {
    const left = seconds - (Date.now() - began) / 1000
    if (left <= 0) return null
    const text = ['Minimize', ` obj: ${sum(goal)}`, 'Subject To',
      ` above: ${sum([...total, [-w, 'b']])} <= ${offset + w - 1}`,
      ` below: ${sum([...total, [w, 'b']])} >= ${offset - w + 1}`,
      ...(Number.isFinite(allowed.high) ? [` high: ${sum(total)} <= ${(allowed.high - basePlay) / grid}`] : []),
      ...(Number.isFinite(allowed.low) ? [` low: ${sum(total)} >= ${(allowed.low - basePlay) / grid}`] : []),
      ` most: ${sum(drawer.size.map((_, i) => [1, x(i)]))} <= ${drawer.mostPicks}`,
      ` fewest: ${sum(drawer.size.map((_, i) => [1, x(i)]))} >= ${drawer.fewestPicks}`,
      ...drawer.size.flatMap((_, i) => [` up${i}: d${i} - ${x(i)} >= ${-drawer.fittedPieces[i]!}`, ` dn${i}: d${i} + ${x(i)} >= ${drawer.fittedPieces[i]!}`]),
      ...fixed, 'Bounds', ' b >= 0', ...drawer.available.map((a, i) => ` 0 <= ${x(i)} <= ${a}`),
      'General', ` b ${Array.from({ length: n }, (_, i) => x(i)).join(' ')}`, 'End'].join('\n')
    const solution = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: left, output_flag: false } as Parameters<Solver['solve']>[1])
    if (solution.Status !== 'Optimal') return null
    found.push(Math.round(solution.ObjectiveValue * 1000) / 1000)
    fixed.push(` fix${found.length}: ${sum(goal)} <= ${found.at(-1)! + 1e-4}`)
  }
  const [bin, pieces, variance, changes, cost] = found
  return { bin: bin!, pieces: pieces ?? -1, variance: (variance ?? -1) * 1000, changes: changes ?? -1, cost: cost ?? -1 }
}
