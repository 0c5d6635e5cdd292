import { MOST_PIECES } from '../../question/rules'
import { percent } from '../../../quantity/percent'
import { SURE } from '../../../verdict/decide'
import { lotMap, packChange, type Lot, type Pack, type PackChange } from '../../../pack/lot'
import type { Prediction } from '../predict'
import { isForetoldIn, leavesTogether, worstChance } from '../leaves'
import { movedBy } from '../../window/window'
import { jointColumns } from './joint'
import { columnsFor, type Column, type Columns, type PlaceQuestion } from './columns'
import { stockOf, type AllocationRequest, type Goal, type Stock } from './programme'
import { refine, type Stage } from './refine'
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
const LISTED = [60, 300, 1_500, 6_000]

/**
 * Several places, one drawer: every place in limits, at the least sum of squared distances or the least cost.
 *
 * Each place’s packs are columns of which one is chosen; pieces fitted in any of the places are stock for all of them; what is
 * taken beyond those is bought. As many places as can be come into limits, with as little doubt as can be; then the goal decides, and
 * the other one breaks ties. Proven: the packs that were not listed are priced too, and more are listed where they could matter.
 * @param listed  columns a place begins with, and how many it has each time an answer is not proven
 */
export function allocate(
  request: AllocationRequest,
  solve: Solve,
  progress: Progress = () => {},
  listed: readonly number[] = LISTED,
): Allocation {
  const stock = stockOf(request)
  const { goal } = request
  let answer: Answer = { columns: stock.groups.map(() => null), exact: false }
  for (const most of listed) {
    const all = stock.groups.map((group, g) => {
      progress(`Packs of place ${g + 1} of ${stock.groups.length}`, g, stock.groups.length)
      const mayUse = (place: PlaceQuestion) => drawerOf(request, stock.pool, place)
      const priceOf = (lot: Lot) => (stock.pool.has(lot.id) ? 0 : stock.prices.get(lot.id)!)
      const [alone] = group
      return group.length === 1
        ? columnsFor(alone!, mayUse(alone!), most, goal === 'nearest' ? { by: 'distance' } : { by: 'cost', priceOf })
        : jointColumns(group, mayUse)
    })
    progress(`Choosing among ${all.reduce((sum, { columns }) => sum + columns.length, 0)} packs`, stock.groups.length, stock.groups.length)
    answer = choose(request, stock, all, solve)
    if (answer.exact || all.every(({ beyond }) => beyond.length === 0)) break
  }
  return result(request, stock, answer)
}

/** A column a group; null: it stays as it is. */
interface Answer {
  readonly columns: readonly (Column | null)[]
  readonly exact: boolean
}

/** One column a group by the goals in their order. Where every place can have a sure pack, nothing is missing and nothing in doubt. */
function choose(request: AllocationRequest, stock: Stock, all: readonly Columns[], solve: Solve): Answer {
  const columns = all.map(place => place.columns)
  const order = request.goal === 'nearest' ? (['distance', 'cost'] as const) : (['cost', 'distance'] as const)
  // A place without any pack, ever, stays as it is whatever is asked.
  const bare = all.map(place => place.columns.length === 0 && place.beyond.length === 0)
  const indices = (keep: (column: Column) => boolean) => columns.map(of => of.flatMap((column, c) => (keep(column) ? [c] : [])))
  const through = (goals: readonly Goal[], some: Stage['some'], stays: Stage['stays'], doubts: number) => {
    const begin = { some, stays, kept: [], beyond: all.map(place => place.beyond.filter(({ doubt }) => doubt <= doubts)) }
    let exact = true
    let stage: Stage | null = null
    for (const goal of goals) {
      const next: Stage | null = refine(request, stock, columns, stage ?? begin, goal, solve)
      if (!next) return stage && { columns: stage.chosen, exact: false }
      stage = next
      exact &&= next.exact
    }
    return stage && { columns: stage.chosen, exact }
  }
  return (
    through(
      order,
      indices(({ doubt, missing }) => doubt === 0 && missing === 0),
      bare,
      0,
    ) ??
    through(
      ['missing', 'doubt', ...order],
      indices(() => true),
      columns.map(() => true),
      Infinity,
    ) ?? {
      columns: columns.map(() => null),
      exact: false,
    }
  )
}

/** The drawer one place sees: with what the others could give up, and with what could be ordered. Its own pieces the chooser adds. */
function drawerOf(
  { drawer, ordering }: AllocationRequest,
  pool: ReadonlyMap<string, number>,
  { fitted, rules, takes }: PlaceQuestion,
): Lot[] {
  const own = new Map(fitted.map(({ lotId, count }) => [lotId, count]))
  const goes = takes === undefined ? drawer : drawer.filter(({ id }) => takes.includes(id) || own.has(id))
  return goes.map(lot => ({
    ...lot,
    onHand: lot.onHand + (pool.get(lot.id) ?? 0) - (own.get(lot.id) ?? 0) + (ordering ? (rules.most ?? MOST_PIECES) + lot.reserved : 0),
  }))
}

function result({ drawer, places, ordering }: AllocationRequest, { groups, pool }: Stock, { columns, exact }: Answer): Allocation {
  const index = lotMap(drawer)
  const packOf = new Map(groups.flatMap((group, g) => group.map(({ id }, i) => [id, columns[g]?.packs[i] ?? null] as const)))
  const packs = places.map(({ id, fitted }) => packOf.get(id) ?? fitted)
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
  const left = leavesTogether(
    places.map((place, p) => ({ ...place, next: packs[p]! })),
    index,
  )
  const answers = places.map((place): PlaceAllocation => {
    const pack = packOf.get(place.id) ?? null
    const ids = movedBy(place).map(({ id }) => id)
    const moved = left.filter(({ id }) => ids.includes(id))
    const isIn = movedBy(place).every(judged =>
      isForetoldIn(
        judged,
        left.find(({ id }) => id === judged.id)!,
      ),
    )
    if (!pack || !isIn) return { id: place.id, pack: null, change: { out: [], in: [] }, predicted: null, inside: null }
    return {
      id: place.id,
      pack,
      change: packChange(place.fitted, pack),
      predicted: left.find(({ id }) => id === place.question.id)!,
      inside: worstChance(null, moved)?.inside ?? null,
    }
  })
  const missing = answers.filter(({ pack }) => !pack)
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
