import { mergedPack, type Lot, type Pack } from '../../../pack/lot'
import type { Column, PlaceQuestion } from './columns'
import { groupsOf } from './joint'
import { linear, type Solve, type Solved } from './solver'

export interface AllocationRequest {
  /** every lot any place may use; on hand and reserved as they are */
  readonly drawer: readonly Lot[]
  readonly places: readonly PlaceQuestion[]
  /** least sum of squared distances from the aims, or least cost of what is not fitted already; the other one breaks ties */
  readonly goal: 'nearest' | 'cheapest'
  /** sizes that are not on hand may be ordered */
  readonly ordering: boolean
  /** what it costs to open a place, whose pack is then changed; smallest coin */
  readonly opening: number
}

/** What is brought down, one after the other: places left as they are, doubtful packs, distance from the aims, cost. */
export type Goal = 'missing' | 'doubt' | 'distance' | 'cost'
/** Goals whose values are whole numbers: a bound can be rounded up. */
export const isWhole = (goal: Goal): boolean => goal !== 'distance'
/** How much of a goal is let through when it is kept while the next is sought: less than two values can be apart. */
const SLACK: Readonly<Record<Goal, number>> = { missing: 0.25, doubt: 0.25, distance: 5e-4, cost: 0.25 }

/** One place of more doubt weighs more than all of less. */
export const weightOf = (doubt: number): number => (doubt === 0 ? 0 : 100 ** (doubt - 1))

/** For one solution; there are a handful at most. */
const SECONDS = 5

/** What all programmes over one request share. */
export interface Stock {
  /** places that move results of each other, and those that stand alone */
  readonly groups: readonly (readonly PlaceQuestion[])[]
  /** pieces fitted in any of the places: stock for all of them */
  readonly pool: ReadonlyMap<string, number>
  /** smallest coin a piece; one whose price nobody knows counts as dearer than any, so that it is not taken for cheap */
  readonly prices: ReadonlyMap<string, number>
}

export function stockOf({ drawer, places }: AllocationRequest): Stock {
  const pool = new Map<string, number>()
  for (const { lotId, count } of places.flatMap(place => place.fitted)) pool.set(lotId, (pool.get(lotId) ?? 0) + count)
  const dearest = Math.max(0, ...drawer.map(lot => lot.cost ?? 0))
  return { groups: groupsOf(places), pool, prices: new Map(drawer.map(lot => [lot.id, lot.cost ?? 2 * dearest + 1])) }
}

/** Some of the columns of each group, by their index; whether a group may stay as it is. */
export interface Subset {
  readonly columns: readonly (readonly Column[])[]
  readonly some: readonly (readonly number[])[]
  readonly stays: readonly boolean[]
}
/** A goal that is kept at what it was brought to. */
export interface Kept {
  readonly goal: Goal
  readonly value: number
}

export const variable = (place: number, column: number): string => `y${place}_${column}`
export const staying = (place: number): string => `s${place}`
export const placeRow = (place: number): string => `p${place}`
export const keptRow = (goal: Goal): string => `f_${goal}`

type Terms = [number, string][]

/**
 * One column a group out of a subset, at the least of a goal, others kept; pieces beyond those fitted are bought.
 * @param whole  false: parts of packs may be chosen, for a bound no choice can better and what each column adds to it at least
 */
export function solveFor(
  { drawer, ordering, opening }: AllocationRequest,
  { groups, pool, prices }: Stock,
  { columns, some, stays }: Subset,
  goal: Goal,
  kept: readonly Kept[],
  whole: boolean,
  solve: Solve,
): Solved {
  const taken = some.map((of, p) => of.map(c => ({ column: columns[p]![c]!, name: variable(p, c) })))
  const each = taken.flat()
  const perLot = new Map<string, Terms>()
  const use = (pack: Pack, name: string) => {
    for (const { lotId, count } of mergedPack(pack)) {
      const terms = perLot.get(lotId)
      if (terms) terms.push([count, name])
      else perLot.set(lotId, [[count, name]])
    }
  }
  for (const { column, name } of each) use(column.packs.flat(), name)
  for (const [g, group] of groups.entries())
    if (stays[g])
      use(
        group.flatMap(({ fitted }) => fitted),
        staying(g),
      )
  const lots = drawer.flatMap((lot, l) => {
    const terms = perLot.get(lot.id)
    return terms ? [{ lot, bought: `b${l}`, terms, name: `l${l}` }] : []
  })
  const goals: Readonly<Record<Goal, () => Terms>> = {
    missing: () => [
      ...groups.flatMap((group, g): Terms => (stays[g] ? [[group.length, staying(g)]] : [])),
      ...each.map(({ column, name }): [number, string] => [column.missing, name]),
    ],
    doubt: () => each.map(({ column, name }): [number, string] => [weightOf(column.doubt), name]),
    distance: () => each.map(({ column, name }): [number, string] => [column.distance, name]),
    cost: () => [
      ...lots.map(({ lot, bought }): [number, string] => [prices.get(lot.id)!, bought]),
      ...each.map(({ column, name }): [number, string] => [opening * column.opened, name]),
    ],
  }
  const names = [...each.map(({ name }) => name), ...groups.flatMap((_, g) => (stays[g] ? [staying(g)] : []))]
  const one = (p: number): Terms => [
    ...taken[p]!.map(({ name }): [number, string] => [1, name]),
    ...(stays[p] ? [[1, staying(p)] as [number, string]] : []),
  ]
  return solve(
    [
      'Minimize',
      ` obj: ${linear(goals[goal]())}`,
      'Subject To',
      ...groups.map((_, g) => ` ${placeRow(g)}: ${linear(one(g))} = 1`),
      ...lots.map(({ lot, bought, terms, name }) => ` ${name}: ${linear([...terms, [-1, bought]])} <= ${pool.get(lot.id) ?? 0}`),
      ...kept.map(({ goal: other, value }) => ` ${keptRow(other)}: ${linear(goals[other]())} <= ${value + SLACK[other]}`),
      'Bounds',
      ...lots.map(({ lot, bought }) => ` 0 <= ${bought} <= ${ordering ? 10_000 : Math.max(0, lot.onHand - lot.reserved)}`),
      ...(whole ? ['Binary', ` ${names.join(' ')}`] : []),
      'End',
    ].join('\n'),
    SECONDS,
  )
}
