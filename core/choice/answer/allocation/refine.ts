import type { Beyond, Column } from './columns'
import { isWhole, keptRow, placeRow, solveFor, staying, variable, weightOf } from './programme'
import type { AllocationRequest, Goal, Kept, Stock, Subset } from './programme'
import type { Solve, Solved } from './solver'

/** A choice of columns, brought down to the least of the goals asked so far. */
export interface Stage {
  /** columns and stays that can still be part of a choice as good */
  readonly some: readonly (readonly number[])[]
  readonly stays: readonly boolean[]
  readonly kept: readonly Kept[]
  /** packs that were not listed and can still be part of one, by place */
  readonly beyond: readonly (readonly Beyond[])[]
  /** a column a place; null: it stays as it is */
  readonly chosen: readonly (Column | null)[]
  /** no column, listed or not, makes a better choice */
  readonly exact: boolean
}

/** Columns of a place a choice is first sought among. */
const FEW = 24
/** Two values of one goal are never nearer; what lies within is the same. */
const SAME = 1e-6

/**
 * Brings one more goal down, and drops what can no longer matter.
 *
 * The goal in parts of packs is a bound no choice betters, and says of each column what it adds to that bound at least (its reduced
 * cost). A choice among the columns that add least is nearly always the best: whatever adds more than the distance between the two
 * is out. Packs that were never listed are priced the same way, by the least they can be.
 * @returns null when there is no choice at all
 */
export function refine(
  request: AllocationRequest,
  stock: Stock,
  columns: readonly (readonly Column[])[],
  before: Pick<Stage, 'some' | 'stays' | 'kept' | 'beyond'>,
  goal: Goal,
  solve: Solve,
): Stage | null {
  const ask = (some: Subset['some'], whole: boolean) =>
    solveFor(request, stock, { columns, some, stays: before.stays }, goal, before.kept, whole, solve)
  const bound = ask(before.some, false)
  if (bound.status === 'infeasible') return null
  const priced = bound.status === 'optimal'
  const adds = (p: number, c: number) => (priced ? bound.reduced(variable(p, c)) : 0)
  const ranked = before.some.map((of, p) =>
    [...of].sort((a, b) => adds(p, a) - adds(p, b) || columns[p]![a]!.distance - columns[p]![b]!.distance),
  )
  const most = Math.max(...ranked.map(of => of.length))

  let few = FEW
  let tried = ranked.map(of => of.slice(0, few))
  let best = ask(tried, true)
  while (best.status === 'infeasible' && few < most) {
    few *= 4
    tried = ranked.map(of => of.slice(0, few))
    best = ask(tried, true)
  }
  if (best.status !== 'optimal') return null
  // A whole number cannot lie between the bound and the next one.
  const floor = priced ? (isWhole(goal) ? Math.ceil(bound.value - SAME) : bound.value) : -Infinity
  const matters = (value: number) => (added: number) => !priced || added <= value - bound.value + SAME
  let exact = true
  if (best.value > floor + SAME) {
    const within = matters(best.value)
    const open = before.some.map((of, p) => of.filter(c => within(adds(p, c))))
    if (open.some((of, p) => of.some(c => !tried[p]!.includes(c)))) {
      const last = ask(open, true)
      if (last.status === 'optimal') best = last
      else exact = false
    }
  }
  const { value } = best
  const within = matters(value)
  const unlisted = (least: Beyond, p: number) => (priced ? leastAdded(least, p, goal, before.kept, bound) : -Infinity)
  // Where the bound is met, what is not listed must not lower it; else it must not fit in between either.
  const room = value <= floor + SAME ? 0 : value - bound.value
  return {
    some: before.some.map((of, p) => of.filter(c => within(adds(p, c)))),
    stays: before.stays.map((stays, p) => stays && within(priced ? bound.reduced(staying(p)) : 0)),
    beyond: before.beyond.map((of, p) => of.filter(least => within(unlisted(least, p)))),
    kept: [...before.kept, { goal, value }],
    chosen: before.some.map((of, p) => of.flatMap(c => (best.of(variable(p, c)) > 0.5 ? [columns[p]![c]!] : []))[0] ?? null),
    exact: exact && before.beyond.every((of, p) => of.every(least => unlisted(least, p) >= room - SAME)),
  }
}

/** What a pack that was not listed adds to the bound at least: with no more than this of each goal, and of none of the scarce pieces. */
function leastAdded(least: Beyond, place: number, goal: Goal, kept: readonly Kept[], bound: Solved): number {
  const of: Readonly<Record<Goal, number>> = { missing: 0, doubt: weightOf(least.doubt), distance: least.distance, cost: least.cost }
  return kept.reduce((sum, other) => sum - bound.price(keptRow(other.goal)) * of[other.goal], of[goal] - bound.price(placeRow(place)))
}
