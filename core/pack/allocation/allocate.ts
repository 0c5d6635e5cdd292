import { percent } from '../../quantity/percent'
import { chanceInLimits } from '../../verdict/chance'
import { SURE } from '../../verdict/decide'
import { lotMap, packChange, type Lot, type Pack, type PackChange } from '../lot'
import { predict, type Prediction } from '../predict'
import { columnsFor, isSure, type Column, type Columns, type PlaceQuestion } from './columns'
import { chooseColumns, relaxed, valueOf, variable, type AllocationRequest, type Answer } from './programme'
import type { Solve } from './solver'

export type { AllocationRequest } from './programme'

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

/** Columns a place begins with, and has at most; a question left unanswered by the most is answered without proof. */
const FIRST = 40
const MOST = 1_200
/** Columns a place has where not every place can be in limits: a harder question. */
const PARTIAL = 160

/**
 * Several places, one drawer: every place in limits, at the least sum of squared distances or the least cost.
 *
 * Each place’s packs are columns of which one is chosen; pieces fitted in any of the places are stock for all of them; what is
 * taken beyond those is bought. As many places as can be come into limits, with as little doubt as can be; then the goal decides, and
 * the other one breaks ties.
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
  if (all.some(({ columns, beyond }) => !columns.some(isSure) && (columns.length > 0 || beyond !== null))) return null
  const value = valueOf(request, pool)
  const ranked = all.map(({ columns }) => columns.filter(isSure).sort((a, b) => value(a) - value(b) || a.distance - b.distance))
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
  const answers = places.map(({ id, fitted, response, question }, p): PlaceAllocation => {
    const pack = columns[p]?.pack ?? null
    if (!pack) return { id, pack, change: { out: [], in: [] }, predicted: null, inside: null }
    const predicted = predict(question, fitted, pack, index, response)
    return {
      id,
      pack,
      change: packChange(fitted, pack),
      predicted,
      inside: chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits)?.inside ?? null,
    }
  })
  return {
    places: answers,
    bought,
    ordered,
    proven: exact,
    cost: prices.includes(null) ? null : prices.reduce<number>((sum, price) => sum + price!, 0),
    words:
      missing.length === 0
        ? `All ${places.length} places in limits${leastSure(answers)}.`
        : missing.length === places.length
          ? 'No place can be brought into limits with these pieces.'
          : `${places.length - missing.length} of ${places.length} places in limits${leastSure(answers)}: the pieces do not reach for the rest.`,
  }
}

/** In limits, but not surely: by what chance where it is least. */
function leastSure(places: readonly PlaceAllocation[]): string {
  const least = Math.min(...places.map(({ inside }) => inside ?? 1))
  return least < SURE ? `, the least sure by ${percent(least)}` : ''
}
