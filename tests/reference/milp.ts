import { endsOf } from '#core/verdict/limits'
import highsLoader from 'highs'
import type { AllocationRequest } from '#core/choice/answer/allocation/allocate'
import type { PreparedDrawer } from '#core/choice/answer/chooser/prepare'
import { thickness } from '#core/pack/lot'
import { piecesPerPick } from '#core/pack/response'

export type Solver = Awaited<ReturnType<typeof highsLoader>>
export const solver = (): Promise<Solver> => highsLoader()

export interface LexicographicBest {
  readonly bin: number
  readonly trouble: number
  readonly distance: number
  readonly variance: number
  readonly cost: number
}

/** Whole numbers a solver can hold: everything in steps of `grid` nm. */
interface Model {
  readonly drawer: PreparedDrawer
  readonly basePlay: number
  readonly aim: number
  readonly width: number
  readonly allowed: { low: number; high: number }
}

/** More nodes of its search than a solver was given: how many it takes is the same on every machine, however busy. */
export class Capped extends Error {}
/** @throws Capped */
function solved(highs: Solver, text: string, nodes: number): number | null {
  const options = { mip_rel_gap: 0, mip_abs_gap: 0, mip_max_nodes: nodes, output_flag: false }
  const { Status, ObjectiveValue } = highs.solve(text, options as Parameters<Solver['solve']>[1])
  if (Status === 'Infeasible') return null
  if (Status !== 'Optimal') throw new Capped(`${Status} after ${nodes} nodes.`)
  return ObjectiveValue
}

/** More pieces than a pack holds. */
const MANY = 100

const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b))
const sum = (terms: readonly (readonly [number, string])[]) =>
  terms
    .filter(([c]) => c !== 0)
    .map(([c, v]) => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${v}`)
    .join(' ') || '0 b'

/**
 * The best pack by an integer programme, solved criterion by criterion, gap 0: distance in bins, trouble, exact distance, Σu², cost.
 * One piece a pick, no class of chance: `allowed` is what a caller makes of the limits. Null when infeasible.
 * @param nodes  of the search, at most, for each criterion
 * @param criteria  how many of the five to solve for
 * @throws Capped
 */
export function lexicographic(
  highs: Solver,
  { drawer, basePlay, aim, width, allowed }: Model,
  nodes: number,
  criteria = 5,
): LexicographicBest | null {
  const n = drawer.lots.length
  const x = (i: number) => `x${i}`
  const grid = [width, aim - basePlay, ...drawer.size].reduce(gcd, 0)
  const c = drawer.response.perPiece
  // An equal pair is one pick and two pieces.
  const each = piecesPerPick(drawer.response)
  const total = drawer.size.map((size, i) => [(c * size) / grid, x(i)] as const)
  const offset = (aim - basePlay) / grid
  const w = width / grid
  const goals = [
    [[1, 'b']] as const,
    drawer.size.flatMap((_, i) => [[each, x(i)] as const, [1, `d${i}`] as const, ...(drawer.measured[i] ? [] : [[1, `e${i}`] as const])]),
    [[1, 'far']] as const,
    drawer.variance.map((v, i) => [v / 1000, x(i)] as const),
    drawer.cost.map((v, i) => [v, x(i)] as const),
  ]
  const fixed: string[] = []
  const found: number[] = []
  for (const goal of goals.slice(0, criteria)) {
    const text = [
      'Minimize',
      ` obj: ${sum(goal)}`,
      'Subject To',
      ` above: ${sum([...total, [-w, 'b']])} <= ${offset + w - 1}`,
      ` below: ${sum([...total, [w, 'b']])} >= ${offset - w + 1}`,
      ...(Number.isFinite(allowed.high) ? [` high: ${sum(total)} <= ${(allowed.high - basePlay) / grid}`] : []),
      ...(Number.isFinite(allowed.low) ? [` low: ${sum(total)} >= ${(allowed.low - basePlay) / grid}`] : []),
      ` most: ${sum(drawer.size.map((_, i) => [1, x(i)]))} <= ${drawer.mostPicks}`,
      ` fewest: ${sum(drawer.size.map((_, i) => [1, x(i)]))} >= ${drawer.fewestPicks}`,
      ...(drawer.rules.one === undefined ? [] : [` one: ${sum(drawer.single.map((is, i) => [is ? 1 : 0, x(i)]))} = 1`]),
      // One size at least is there more often, or less, than it is now.
      ` changed: ${sum(drawer.size.flatMap((_, i) => [[1, `p${i}`] as const, [1, `q${i}`] as const]))} >= 1`,
      ...drawer.size.flatMap((_, i) => [
        ` more${i}: ${each} ${x(i)} - ${MANY} p${i} >= ${drawer.fittedPieces[i]! + 1 - MANY}`,
        ` less${i}: ${each} ${x(i)} + ${MANY} q${i} <= ${drawer.fittedPieces[i]! - 1 + MANY}`,
      ]),
      ` further: ${sum([...total, [-1, 'far']])} <= ${offset}`,
      ` nearer: ${sum([...total, [1, 'far']])} >= ${offset}`,
      ...drawer.size.flatMap((_, i) => [
        ` new${i}: e${i} - ${each} ${x(i)} >= ${-drawer.fittedPieces[i]!}`,
        ` up${i}: d${i} - ${each} ${x(i)} >= ${-drawer.fittedPieces[i]!}`,
        ` dn${i}: d${i} + ${each} ${x(i)} >= ${drawer.fittedPieces[i]!}`,
      ]),
      ...fixed,
      'Bounds',
      ' b >= 0',
      ...drawer.available.map((a, i) => ` 0 <= ${x(i)} <= ${a}`),
      'General',
      ` b ${Array.from({ length: n }, (_, i) => x(i)).join(' ')}`,
      'Binary',
      ` ${drawer.size.map((_, i) => `p${i} q${i}`).join(' ')}`,
      'End',
    ].join('\n')
    const best = solved(highs, text, nodes)
    if (best === null) return null
    found.push(Math.round(best * 1000) / 1000)
    fixed.push(` fix${found.length}: ${sum(goal)} <= ${found.at(-1)! + 1e-4}`)
  }
  const [bin, trouble, distance, variance, cost] = found
  return {
    bin: bin!,
    trouble: trouble ?? -1,
    distance: (distance ?? -1) * grid,
    variance: (variance ?? -1) * 1000,
    cost: cost ?? -1,
  }
}

/**
 * Least cost of bringing every place into limits by value, piece by piece instead of pack by pack: whole numbers of each size in
 * each place, totals within the limits, what is beyond the pieces now fitted is bought. One opening a place whose pack changes.
 * Smallest coin; null when infeasible. Limits two-sided, inclusive.
 * @throws Capped
 */
export function cheapestByPieces(highs: Solver, { drawer, places, ordering, opening }: AllocationRequest, nodes: number): number | null {
  const pool = new Map<string, number>()
  for (const { lotId, count } of places.flatMap(place => place.fitted)) pool.set(lotId, (pool.get(lotId) ?? 0) + count)
  const fitted = (p: number, id: string) => places[p]!.fitted.find(piece => piece.lotId === id)?.count ?? 0
  const x = (p: number, l: number) => `x${p}_${l}`
  const rows: string[] = []
  for (const [p, { response, rules, question }] of places.entries()) {
    const c = response.perPiece
    const ends = endsOf(question.limits)!
    const base = Math.round(question.from.play) - c * drawer.reduce((total, lot) => total + thickness(lot) * fitted(p, lot.id), 0)
    const play = drawer.map((lot, l) => [(c * thickness(lot)) / 1000, x(p, l)] as const)
    rows.push(` lo${p}: ${sum(play)} >= ${(ends.lower - base) / 1000}`, ` hi${p}: ${sum(play)} <= ${(ends.upper - base) / 1000}`)
    const count = drawer.map((_, l) => [1, x(p, l)] as const)
    rows.push(` few${p}: ${sum(count)} >= ${rules.fewest ?? 0}`, ` most${p}: ${sum(count)} <= ${rules.most ?? 8}`)
    // Opened as soon as one size is not there as often as it is now.
    for (const [l, lot] of drawer.entries())
      rows.push(
        ` ou${p}_${l}: ${x(p, l)} - ${rules.most ?? 8} o${p} <= ${fitted(p, lot.id)}`,
        ` od${p}_${l}: ${x(p, l)} + ${rules.most ?? 8} o${p} >= ${fitted(p, lot.id)}`,
      )
  }
  for (const [l, lot] of drawer.entries())
    rows.push(` buy${l}: ${sum([...places.map((_, p) => [1, x(p, l)] as const), [-1, `b${l}`]])} <= ${pool.get(lot.id) ?? 0}`)
  const text = [
    'Minimize',
    ` obj: ${sum([...drawer.map((lot, l) => [lot.cost ?? 0, `b${l}`] as const), ...places.map((_, p) => [opening, `o${p}`] as const)])}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...drawer.map((lot, l) => ` 0 <= b${l} <= ${ordering ? 1000 : Math.max(0, lot.onHand - lot.reserved)}`),
    ...places.flatMap((place, p) => drawer.map((_, l) => ` 0 <= ${x(p, l)} <= ${place.rules.most ?? 8}`)),
    'General',
    ` ${places.flatMap((_, p) => drawer.map((__, l) => x(p, l))).join(' ')}`,
    'Binary',
    ` ${places.map((_, p) => `o${p}`).join(' ')}`,
    'End',
  ].join('\n')
  const best = solved(highs, text, nodes)
  return best === null ? null : Math.round(best)
}
