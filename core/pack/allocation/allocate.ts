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
 * and the other one breaks ties. A place begins with its best columns: what is left out is at least so far, or so dear, and once
 * even the best of it cannot improve the sum, the answer is proven without it.
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
  return result(request, pool, answer ? { ...answer, exact: answer.exact && whole } : { columns: request.places.map(() => null), value: 0, exact: false })
}

interface Answer { readonly columns: readonly (Column | null)[], /** of the goal */ readonly value: number, readonly exact: boolean }

/**
 * Every place that has a sure pack at all gets one; a place that has none, ever, stays as it is. null when that cannot be.
 * Grows each place’s columns while one left out could still better the sum.
 */
function allSure(request: AllocationRequest, pool: ReadonlyMap<string, number>, all: readonly Columns[], solve: Solve, progress: Progress): Answer | null {
  if (all.some(({ columns, beyond }) => !columns.some(column => column.sure) && (columns.length > 0 || beyond !== null))) return null
  const value = valueOf(request, pool)
  const ranked = all.map(({ columns }) => columns.filter(column => column.sure).sort((a, b) => value(a) - value(b) || a.distance - b.distance))
  const most = Math.max(...ranked.map(columns => columns.length))
  for (let m = FIRST; ; m *= 4) {
    const tried = ranked.map(columns => columns.slice(0, m))
    progress(`Choosing among ${tried.reduce((sum, columns) => sum + columns.length, 0)} packs`, all.length, all.length)
    const answer = chooseColumns(request, pool, tried, false, solve)
    if (answer) {
      const best = tried.map(columns => (columns.length === 0 ? 0 : value(columns[0]!)))
      const total = best.reduce((a, b) => a + b, 0)
      // What was left out, with the best of every other place, would be no better.
      const proven = all.every(({ beyond }, p) => {
        const next = Math.min(m < ranked[p]!.length ? value(ranked[p]![m]!) : Infinity, beyond === null ? Infinity : request.goal === 'nearest' ? beyond : 0)
        return answer.value <= total - best[p]! + next + 1e-9
      })
      if (proven || m >= most) return { ...answer, exact: answer.exact && proven }
    } else if (m >= most) return null
  }
}

/** What a column adds to the goal at least: its distance, or what of it is in none of the places now, and the opening. */
const valueOf = ({ drawer, goal, opening }: AllocationRequest, pool: ReadonlyMap<string, number>) => {
  const price = new Map(drawer.map(lot => [lot.id, lot.cost ?? 0]))
  return ({ distance, pack, changed }: Column): number => (goal === 'nearest' ? distance : (changed ? opening : 0) + pack.reduce((sum, { lotId, count }) => sum + price.get(lotId)! * Math.max(0, count - (pool.get(lotId) ?? 0)), 0))
}

function chooseColumns({ drawer, places, goal, ordering, opening }: AllocationRequest, pool: ReadonlyMap<string, number>, columns: readonly (readonly Column[])[], partial: boolean, solve: Solve): Answer | null {
  const lots = drawer.map((lot, l) => ({ lot, l, fitted: pool.get(lot.id) ?? 0, free: ordering ? Infinity : Math.max(0, lot.onHand - lot.reserved) }))
  const used = (pack: Pack, id: string) => pack.find(piece => piece.lotId === id)?.count ?? 0
  const y = (p: number, c: number) => `y${p}_${c}`
  const each = columns.flatMap((of, p) => of.map((column, c) => ({ p, c, column, name: y(p, c) })))
  const stays = (p: number) => `s${p}`
  // A place without any column stays as it is, whatever is asked.
  const mayStay = (p: number) => partial || columns[p]!.length === 0
  const balance = lots.flatMap(({ lot, l, fitted }) => {
    const terms = [...each.flatMap(({ column, name }): [number, string][] => [[used(column.pack, lot.id), name]]), ...places.flatMap((place, p): [number, string][] => (mayStay(p) ? [[used(place.fitted, lot.id), stays(p)]] : []))].filter(([count]) => count > 0)
    return terms.length === 0 ? [] : [{ l, row: ` l${l}: ${linear([...terms, [-1, `b${l}`]])} <= ${fitted}` }]
  })
  const goals = {
    missing: places.flatMap((_, p): [number, string][] => (mayStay(p) ? [[1, stays(p)]] : [])),
    unsure: each.filter(({ column }) => !column.sure).map(({ name }): [number, string] => [1, name]),
    distance: each.map(({ column, name }): [number, string] => [column.distance, name]),
    cost: [...balance.map(({ l }): [number, string] => [drawer[l]!.cost ?? 0, `b${l}`]), ...each.filter(({ column }) => column.changed).map(({ name }): [number, string] => [opening, name])],
  }
  const order = [...(partial ? ['missing', 'unsure'] as const : []), ...(goal === 'nearest' ? ['distance', 'cost'] as const : ['cost', 'distance'] as const)]
  const fixed: string[] = []
  let chosen: (Column | null)[] | null = null
  let value = 0
  let exact = true
  for (const name of order) {
    const lp = ['Minimize', ` obj: ${linear(goals[name])}`, 'Subject To',
      ...places.map((_, p) => ` p${p}: ${linear([...columns[p]!.map((__, c): [number, string] => [1, y(p, c)]), ...(mayStay(p) ? [[1, stays(p)] as [number, string]] : [])])} = 1`),
      ...balance.map(({ row }) => row), ...fixed,
      'Bounds', ...balance.map(({ l }) => ` 0 <= b${l} <= ${Number.isFinite(lots[l]!.free) ? lots[l]!.free : 10_000}`),
      'Binary', ` ${[...each.map(one => one.name), ...places.flatMap((_, p) => (mayStay(p) ? [stays(p)] : []))].join(' ')}`, 'End'].join('\n')
    const solved = solve(lp, SECONDS)
    if (solved.status === 'infeasible') return null
    if (solved.status === 'unfinished') {
      exact = false
      break
    }
    if (name === (goal === 'nearest' ? 'distance' : 'cost')) value = solved.value
    chosen = columns.map((of, p) => of.find((_, c) => solved.of(y(p, c)) > 0.5) ?? null)
    fixed.push(` f${fixed.length}: ${linear(goals[name])} <= ${solved.value + (name === 'distance' ? 5e-4 : 0.25)}`)
  }
  return chosen && { columns: chosen, exact, value }
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
  return drawer.map(lot => ({ ...lot, onHand: lot.onHand + (pool.get(lot.id) ?? 0) - (own.get(lot.id) ?? 0) + (ordering ? (rules.most ?? 8) + lot.reserved : 0) }))
}

function result({ drawer, places, ordering }: AllocationRequest, pool: ReadonlyMap<string, number>, { columns, exact }: Answer): Allocation {
  const index = lotMap(drawer)
  const packs = places.map((place, p) => columns[p]?.pack ?? place.fitted)
  const wanted = new Map<string, number>()
  for (const { lotId, count } of packs.flat()) wanted.set(lotId, (wanted.get(lotId) ?? 0) + count)
  const bought = [...wanted].map(([lotId, count]) => ({ lotId, count: count - (pool.get(lotId) ?? 0) })).filter(({ count }) => count > 0).sort((a, b) => (a.lotId < b.lotId ? -1 : 1))
  const ordered = ordering ? bought.map(({ lotId, count }) => ({ lotId, count: count - Math.max(0, index.get(lotId)!.onHand - index.get(lotId)!.reserved) })).filter(({ count }) => count > 0) : []
  const prices = bought.map(({ lotId, count }) => (index.get(lotId)!.cost === null ? null : index.get(lotId)!.cost! * count))
  const missing = places.filter((_, p) => !columns[p])
  return {
    places: places.map(({ id, fitted, response, question }, p): PlaceAllocation => {
      const pack = columns[p]?.pack ?? null
      if (!pack) return { id, pack, change: { out: [], in: [] }, predicted: null, inside: null }
      const predicted = predict(question.measured, fitted, pack, index, response, { uRefit: question.uRefit })
      return { id, pack, change: packChange(fitted, pack), predicted, inside: chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits)?.inside ?? null }
    }),
    bought, ordered, proven: exact,
    cost: prices.includes(null) ? null : prices.reduce<number>((sum, price) => sum + price!, 0),
    words: missing.length === 0 ? `All ${places.length} places in limits.` : missing.length === places.length ? 'No place can be brought into limits with these pieces.' : `${places.length - missing.length} of ${places.length} places in limits: the pieces do not reach for the rest.`,
  }
}
