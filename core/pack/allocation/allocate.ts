import { chanceInLimits } from '../../verdict/chance'
import { lotMap, packChange, type Lot, type Pack, type PackChange } from '../lot'
import { predict, type Prediction } from '../predict'
import { columnsFor, type Column, type Columns, type PlaceQuestion } from './columns'
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

export interface PlaceAllocation {
  readonly id: string
  /** null: no pack is left for it, what is fitted stays */
  readonly pack: Pack | null
  readonly change: PackChange
  readonly predicted: Prediction | null
  /** chance in limits */
  readonly inside: number | null
}

export interface Allocation {
  readonly places: readonly PlaceAllocation[]
  /** pieces that are not fitted in one of these places now, and what they cost together (smallest coin; null where a price is not known) */
  readonly bought: Pack
  readonly cost: number | null
  /** of those, what is not on hand */
  readonly ordered: Pack
  /** false: the search was cut short, better may exist */
  readonly proven: boolean
  readonly words: string
}

/** What is being done, for the bench to show. */
export type Progress = (words: string, done: number, of: number) => void

/** For one solution; there are a handful at most. */
const SECONDS = 5
/** Columns a place begins with, and has at most; a question left unanswered by the most is answered without proof. */
const FIRST = 40
const MOST = 1_200
/** Columns a place has where not every place can be in limits: a harder question. */
const PARTIAL = 160

/**
 * Several places, one drawer: every place in limits, at the least sum of squared distances or the least cost.
 *
 * Each place’s packs are columns of which one is chosen; pieces fitted in any of the places are stock for all of them; what is
 * taken beyond those is bought. As many places as can be come into limits, for sure where that can be had; then the goal decides,
 * and the other one breaks ties.
 */
export function allocate(request: AllocationRequest, solve: Solve, progress: Progress = () => {}): Allocation {
  const pool = fittedPool(request.places)
  const sizes = request.goal === 'nearest' ? [FIRST, FIRST * 4, FIRST * 16, MOST] : [MOST]
  let all: readonly Columns[] = []
  for (const size of sizes) {
    all = request.places.map((place, p) => {
      progress(`Packs of place ${p + 1} of ${request.places.length}`, p, request.places.length)
      return columnsFor(place, drawerOf(request, pool, place), size)
    })
    const answer = allSure(request, pool, all, solve, progress)
    if (answer && (answer.exact || size === MOST)) return result(request, pool, answer)
    // A larger choice changes nothing where all of it was tried.
    if (all.every(({ beyond }) => beyond === null)) break
  }
  progress('Not every place can be in limits: bringing in as many as can be', request.places.length, request.places.length)
  const some = all.map(({ columns }) => columns.slice(0, PARTIAL))
  const answer = chooseColumns(request, pool, some, true, solve)
  const whole = all.every(({ columns, beyond }) => beyond === null && columns.length <= PARTIAL)
  return result(
    request,
    pool,
    answer ? { ...answer, exact: answer.exact && whole } : { columns: request.places.map(() => null), value: 0, exact: false },
  )
}

interface Answer {
  readonly columns: readonly (Column | null)[]
  /** of the goal */ readonly value: number
  readonly exact: boolean
}

/**
 * Every place that has a sure pack at all gets one; a place that has none, ever, stays as it is. null when that cannot be.
 *
 * A first answer comes from each place’s best columns. The same question over all columns, in fractions, bounds what can be had
 * from below, and its reduced costs say which columns could still be part of something as good: only those are asked again.
 */
function allSure(
  request: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  all: readonly Columns[],
  solve: Solve,
  progress: Progress,
): Answer | null {
  if (all.some(({ columns, beyond }) => !columns.some(column => column.sure) && (columns.length > 0 || beyond !== null))) return null
  const value = valueOf(request, pool)
  const ranked = all.map(({ columns }) =>
    columns.filter(column => column.sure).sort((a, b) => value(a) - value(b) || a.distance - b.distance),
  )
  const most = Math.max(...ranked.map(columns => columns.length))
  const count = (columns: readonly (readonly Column[])[]) => columns.reduce((sum, of) => sum + of.length, 0)
  const choose = (columns: readonly (readonly Column[])[]) => {
    progress(`Choosing among ${count(columns)} packs`, all.length, all.length)
    return chooseColumns(request, pool, columns, false, solve)
  }
  const nearest = (m: number) => choose(ranked.map(columns => columns.slice(0, m)))
  let m = FIRST
  let first = nearest(m)
  while (!first && m < most) first = nearest((m *= 4))
  if (!first || m >= most) return first && { ...first, exact: first.exact && nothingBeyond(request.goal, first, ranked, all, value) }
  progress(`Bounding it by ${count(ranked)} packs`, all.length, all.length)
  const bound = relaxed(request, pool, ranked, solve)
  if (!bound) return { ...first, exact: false }
  const gap = first.value - bound.value + (request.goal === 'nearest' ? 1e-3 : 0.5)
  const last = choose(ranked.map((columns, p) => columns.filter((_, c) => bound.reduced(variable(p, c)) <= gap))) ?? first
  return { ...last, exact: last.exact && nothingBeyond(request.goal, last, ranked, all, value) }
}

/** No pack that was not even listed could better the answer: not the nearest of them, with the best of every other place. */
function nothingBeyond(
  goal: AllocationRequest['goal'],
  answer: Answer,
  ranked: readonly (readonly Column[])[],
  all: readonly Columns[],
  value: (column: Column) => number,
): boolean {
  const best = ranked.map(columns => (columns.length === 0 ? 0 : value(columns[0]!)))
  const total = best.reduce((a, b) => a + b, 0)
  return all.every(({ beyond }, p) => beyond === null || answer.value <= total - best[p]! + (goal === 'nearest' ? beyond : 0) + 1e-9)
}

/** What a column adds to the goal at least: its distance, or what of it is in none of the places now, and the opening. */
const valueOf = ({ drawer, goal, opening }: AllocationRequest, pool: ReadonlyMap<string, number>) => {
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

const variable = (place: number, column: number): string => `y${place}_${column}`
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
      unsure: each.filter(({ column }) => !column.sure).map(({ name }): [number, string] => [1, name]),
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
function relaxed(request: AllocationRequest, pool: ReadonlyMap<string, number>, columns: readonly (readonly Column[])[], solve: Solve) {
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

function chooseColumns(
  request: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  columns: readonly (readonly Column[])[],
  partial: boolean,
  solve: Solve,
): Answer | null {
  const { goals, rows, bounds, binaries } = programme(request, pool, columns, partial)
  const order = [
    ...(partial ? (['missing', 'unsure'] as const) : []),
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

/** Pieces fitted in any of the places. */
function fittedPool(places: readonly PlaceQuestion[]): Map<string, number> {
  const pool = new Map<string, number>()
  for (const { lotId, count } of places.flatMap(place => place.fitted)) pool.set(lotId, (pool.get(lotId) ?? 0) + count)
  return pool
}

/** The drawer one place sees: with what the others could give up, and with what could be ordered. Its own pieces the chooser adds. */
function drawerOf({ drawer, ordering }: AllocationRequest, pool: ReadonlyMap<string, number>, { fitted, rules }: PlaceQuestion): Lot[] {
  const own = new Map(fitted.map(({ lotId, count }) => [lotId, count]))
  return drawer.map(lot => ({
    ...lot,
    onHand: lot.onHand + (pool.get(lot.id) ?? 0) - (own.get(lot.id) ?? 0) + (ordering ? (rules.most ?? 8) + lot.reserved : 0),
  }))
}

function result(
  { drawer, places, ordering }: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  { columns, exact }: Answer,
): Allocation {
  const index = lotMap(drawer)
  const packs = places.map((place, p) => columns[p]?.pack ?? place.fitted)
  const wanted = new Map<string, number>()
  for (const { lotId, count } of packs.flat()) wanted.set(lotId, (wanted.get(lotId) ?? 0) + count)
  const bought = [...wanted]
    .map(([lotId, count]) => ({ lotId, count: count - (pool.get(lotId) ?? 0) }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => (a.lotId < b.lotId ? -1 : 1))
  const ordered = ordering
    ? bought
        .map(({ lotId, count }) => ({ lotId, count: count - Math.max(0, index.get(lotId)!.onHand - index.get(lotId)!.reserved) }))
        .filter(({ count }) => count > 0)
    : []
  const prices = bought.map(({ lotId, count }) => (index.get(lotId)!.cost === null ? null : index.get(lotId)!.cost! * count))
  const missing = places.filter((_, p) => !columns[p])
  return {
    places: places.map(({ id, fitted, response, question }, p): PlaceAllocation => {
      const pack = columns[p]?.pack ?? null
      if (!pack) return { id, pack, change: { out: [], in: [] }, predicted: null, inside: null }
      const predicted = predict(question.measured, fitted, pack, index, response, { uRefit: question.uRefit })
      return {
        id,
        pack,
        change: packChange(fitted, pack),
        predicted,
        inside: chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits)?.inside ?? null,
      }
    }),
    bought,
    ordered,
    proven: exact,
    cost: prices.includes(null) ? null : prices.reduce<number>((sum, price) => sum + price!, 0),
    words:
      missing.length === 0
        ? `All ${places.length} places in limits.`
        : missing.length === places.length
          ? 'No place can be brought into limits with these pieces.'
          : `${places.length - missing.length} of ${places.length} places in limits: the pieces do not reach for the rest.`,
  }
}
