import type { Lot, Pack } from '../lot'
import { isSure, type Column, type PlaceQuestion } from './columns'
import { linear, type Solve } from './solver'

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

/** For one solution; there are a handful at most. */
const SECONDS = 5

/** A column a place; null: it stays as it is. */
export interface Answer {
  readonly columns: readonly (Column | null)[]
  /** of the goal */
  readonly value: number
  readonly exact: boolean
}

/** What a column adds to the goal at least: its distance, or what of it is in none of the places now, and the opening. */
export const valueOf = ({ drawer, goal, opening }: AllocationRequest, pool: ReadonlyMap<string, number>) => {
  const price = pricesOf(drawer)
  return ({ distance, pack, changed }: Column): number =>
    goal === 'nearest'
      ? distance
      : (changed ? opening : 0) +
        pack.reduce((sum, { lotId, count }) => sum + price.get(lotId)! * Math.max(0, count - (pool.get(lotId) ?? 0)), 0)
}

/** Smallest coin a piece; one whose price nobody knows counts as dearer than any, so that it is not taken for cheap. */
function pricesOf(drawer: readonly Lot[]): Map<string, number> {
  const dearest = Math.max(0, ...drawer.map(lot => lot.cost ?? 0))
  return new Map(drawer.map(lot => [lot.id, lot.cost ?? 2 * dearest + 1]))
}

export const variable = (place: number, column: number): string => `y${place}_${column}`
const staying = (place: number): string => `s${place}`

/** The programme over given columns: one a place, pieces beyond those fitted are bought. */
function programme(
  { drawer, places, ordering, opening }: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  columns: readonly (readonly Column[])[],
  partial: boolean,
) {
  const prices = pricesOf(drawer)
  const used = (pack: Pack, id: string) => pack.find(piece => piece.lotId === id)?.count ?? 0
  const each = columns.flatMap((of, p) => of.map((column, c) => ({ p, column, name: variable(p, c) })))
  // A place without any column stays as it is, whatever is asked.
  const stays = places.flatMap((place, p) => (partial || columns[p]!.length === 0 ? [{ p, place, name: staying(p) }] : []))
  const lots = drawer.flatMap((lot, l) => {
    const terms = [
      ...each.map(({ column, name }): [number, string] => [used(column.pack, lot.id), name]),
      ...stays.map(({ place, name }): [number, string] => [used(place.fitted, lot.id), name]),
    ].filter(([count]) => count > 0)
    return terms.length === 0
      ? []
      : [
          {
            bought: `b${l}`,
            price: prices.get(lot.id)!,
            row: ` l${l}: ${linear([...terms, [-1, `b${l}`]])} <= ${pool.get(lot.id) ?? 0}`,
            free: ordering ? 10_000 : Math.max(0, lot.onHand - lot.reserved),
          },
        ]
  })
  return {
    goals: {
      missing: stays.map(({ name }): [number, string] => [1, name]),
      // One place of more doubt weighs more than all of less.
      doubt: each.filter(({ column }) => !isSure(column)).map(({ column, name }): [number, string] => [100 ** (column.doubt - 1), name]),
      distance: each.map(({ column, name }): [number, string] => [column.distance, name]),
      cost: [
        ...lots.map(({ price, bought }): [number, string] => [price, bought]),
        ...each.filter(({ column }) => column.changed).map(({ name }): [number, string] => [opening, name]),
      ],
    },
    rows: [
      ...places.map(
        (_, p) =>
          ` p${p}: ${linear([...each.filter(one => one.p === p), ...stays.filter(one => one.p === p)].map(({ name }): [number, string] => [1, name]))} = 1`,
      ),
      ...lots.map(({ row }) => row),
    ],
    bounds: lots.map(({ bought, free }) => ` 0 <= ${bought} <= ${free}`),
    binaries: [...each, ...stays].map(({ name }) => name),
  }
}

/** The goal over all columns when parts of packs may be chosen: what no choice can better. null when it was not solved. */
export function relaxed(
  request: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  columns: readonly (readonly Column[])[],
  solve: Solve,
) {
  const { goals, rows, bounds, binaries } = programme(request, pool, columns, false)
  const solved = solve(
    [
      'Minimize',
      ` obj: ${linear(goals[request.goal === 'nearest' ? 'distance' : 'cost'])}`,
      'Subject To',
      ...rows,
      'Bounds',
      ...bounds,
      ...binaries.map(name => ` 0 <= ${name} <= 1`),
      'End',
    ].join('\n'),
    SECONDS,
  )
  return solved.status === 'optimal' ? solved : null
}

/** One column a place by the goals in their order, each kept while the next is sought; null when there is no choice. */
export function chooseColumns(
  request: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  columns: readonly (readonly Column[])[],
  partial: boolean,
  solve: Solve,
): Answer | null {
  const { goals, rows, bounds, binaries } = programme(request, pool, columns, partial)
  const order = [
    ...(partial ? (['missing', 'doubt'] as const) : []),
    ...(request.goal === 'nearest' ? (['distance', 'cost'] as const) : (['cost', 'distance'] as const)),
  ]
  const fixed: string[] = []
  let chosen: (Column | null)[] | null = null
  let value = 0
  for (const name of order) {
    const solved = solve(
      [
        'Minimize',
        ` obj: ${linear(goals[name])}`,
        'Subject To',
        ...rows,
        ...fixed,
        'Bounds',
        ...bounds,
        'Binary',
        ` ${binaries.join(' ')}`,
        'End',
      ].join('\n'),
      SECONDS,
    )
    if (solved.status === 'infeasible') return null
    if (solved.status === 'unfinished') return chosen && { columns: chosen, exact: false, value }
    if (name === (request.goal === 'nearest' ? 'distance' : 'cost')) value = solved.value
    chosen = columns.map((of, p) => of.find((_, c) => solved.of(variable(p, c)) > 0.5) ?? null)
    fixed.push(` f${fixed.length}: ${linear(goals[name])} <= ${solved.value + (name === 'distance' ? 5e-4 : 0.25)}`)
  }
  return chosen && { columns: chosen, exact: true, value }
}
