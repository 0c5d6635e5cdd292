import { leavesOf, surelyIn, worstChance } from './leaves'
import { predict } from './predict'
import { searchPacks } from './chooser/search'
import { lotMap, lotUncertainty, type Lot } from '../../pack/lot'
import { movedBy, totalsFor } from '../window/window'
import { isUntold, type ChoiceRequest, type Moved } from '../question/question'
import { percent } from '../../quantity/percent'
import { combine } from '../../reading/budget'
import { quadrature } from '../../reading/statistics'
import { studentQuantile } from '../../reading/student'
import { SURE } from '../../verdict/decide'
import { endsOf } from '../../verdict/limits'
import { prepareDrawer, type PreparedDrawer } from './chooser/prepare'
import { perPick, piecesPerPick } from '../../pack/response'

export interface OrderItem {
  readonly lotId: string
  readonly pieces: number
  /** smallest coin; null when not known */
  readonly price: number | null
  /** days until it is here; null when not known */
  readonly leadDays: number | null
  /** chance of reaching the limits if this one does not come */
  readonly chanceWithout: number
}

export interface OrderPlan {
  /** chance that something in the drawer reaches the limits, whatever the play really is */
  readonly stockChance: number
  readonly items: readonly OrderItem[]
  /** with stock and everything ordered */
  readonly chance: number
  readonly wanted: number
  /** sum of the known prices; null when one is not known */
  readonly price: number | null
  /** days until the last of them is here; null when one is not known */
  readonly leadDays: number | null
  readonly words: string
}

/** Points the distribution of a true play is held at: the middle of as many equal chances. */
const POINTS = 120
const MOST_SIZES = 3
/** How many of the best single sizes are tried in pairs, and in threes. */
const TRIED = [Infinity, 14, 10] as const
/** A neighbour that adds this much is ordered with a size that would go alone. */
const NEIGHBOUR = 0.1

/**
 * The fewest sizes to order so that, with stock, the chance of reaching the limits is at least `wanted`.
 *
 * What the present pack leaves is known only with its uncertainty, and the piece that comes is known only by its tolerance. Once
 * the pieces are here and one fitting has shown it, the right one is taken: so a set of sizes is worth the chance that at least one
 * pack it allows brings every result it moves within its limits. Ties go to the higher chance, then to the lower price, then to the shorter lead time.
 * @param request  of a place with limits; sizes with none on hand are what can be ordered besides
 * @returns null without limits
 */
export function orderPlan(request: ChoiceRequest, wanted = SURE): OrderPlan | null {
  const { question, response, rules } = request
  if (!endsOf(question.limits) || movedBy(request).some(isUntold)) return null
  const per = piecesPerPick(response)
  const pieces = Math.max(per, rules.fewest ?? per)
  // While fittings do not agree each of their sums could be right: the chance is the least by any of them.
  const moved = movedBy(request)
  const sums = [moved, ...moved.flatMap((one, i) => one.doubts.map(other => moved.with(i, { ...one, from: other })))]
  const draws = sums.map(sum => drawsOf(request, sum))
  const own = ownChance(request)
  const cover = (ordered: readonly Lot[]) => {
    const drawer = request.drawer.map(lot => (ordered.includes(lot) ? { ...lot, onHand: lot.onHand + pieces } : lot))
    const prepared = prepareDrawer(drawer, request.fitted, response, rules)
    const apart = own !== null && !hasTwin(prepared, request)
    return Math.max(own ?? 0, Math.min(...draws.map(each => coverage(prepared, request, each, apart))))
  }

  const stockChance = cover([])
  const asListed = moved.map(({ from }) => from.play)
  const reached = coverage(prepareDrawer(request.drawer, request.fitted, response, rules), request, [asListed], false) === 1
  const plan = (items: readonly Lot[], chance: number): OrderPlan => {
    const prices = items.map(lot => (lot.cost === null ? null : lot.cost * pieces))
    return {
      stockChance,
      chance,
      wanted,
      price: prices.includes(null) ? null : prices.reduce<number>((sum, price) => sum + price!, 0),
      leadDays: items.some(lot => lot.leadDays === null) ? null : Math.max(0, ...items.map(lot => lot.leadDays!)),
      words: planWords({ stock: stockChance, ordered: items.length, chance, wanted, reached }),
      items: items.map((lot, i) => ({
        lotId: lot.id,
        pieces,
        price: prices[i]!,
        leadDays: lot.leadDays,
        chanceWithout: cover(items.filter(other => other !== lot)),
      })),
    }
  }
  if (stockChance >= wanted) return plan([], stockChance)

  const scored = (sets: readonly (readonly Lot[])[]) =>
    sets
      .map(set => ({
        set,
        chance: cover(set),
        price: set.reduce((sum, lot) => sum + (lot.cost ?? 0), 0),
        days: Math.max(0, ...set.map(lot => lot.leadDays ?? 0)),
      }))
      .sort(
        (a, b) =>
          Math.round((b.chance - a.chance) * 100) ||
          a.price - b.price ||
          a.days - b.days ||
          a.set
            .map(lot => lot.id)
            .join()
            .localeCompare(b.set.map(lot => lot.id).join()),
      )
  const singles = scored(request.drawer.map(lot => [lot])).filter(({ chance }) => chance > stockChance)
  if (singles.length === 0) return plan([], stockChance)
  let best = singles[0]!
  for (let size = 2; size <= MOST_SIZES && best.chance < wanted; size++) {
    const tried = singles.slice(0, TRIED[size - 1]).map(({ set }) => set[0]!)
    const next = scored(combinations(tried, size))[0]
    if (next && next.chance > best.chance) best = next
  }
  if (best.set.length === 1) {
    const neighbour = scored(singles.slice(1, TRIED[1]).map(({ set }) => [best.set[0]!, set[0]!]))[0]
    if (neighbour && neighbour.chance - best.chance >= NEIGHBOUR) best = neighbour
  }
  return plan(best.set, best.chance)
}

/**
 * What may really be with the pack that is fitted: every result it moves, at equal steps of its chance, nm. How far the one is off says
 * nothing of the others: each goes through its own steps in an order of its own.
 */
function drawsOf(request: ChoiceRequest, moved: readonly Moved[]): number[][] {
  const { drawer, response, rules } = request
  // A piece nobody has measured yet: the worst tolerance of the family, as often as the fewest pieces of a pack.
  const piece = Math.max(0, ...drawer.map(lotUncertainty)) * Math.abs(perPick(response)) * Math.max(1, rules.fewest ?? 1)
  const each = moved.map(({ from, uRefit }) => {
    const { u, nu } = combine([
      { u: from.u, nu: from.nu },
      { u: quadrature(uRefit, piece), nu: Infinity },
    ])
    return Array.from({ length: POINTS }, (_, i) => from.play + u * studentQuantile((i + 0.5) / POINTS, nu))
  })
  return each[0]!.map((_, i) => each.map((points, of) => points[(i * STRIDES[of % STRIDES.length]!) % POINTS]!))
}
/** Steps without a common measure with the points: each order of the points is another. */
const STRIDES = [1, 47, 77, 101, 31] as const

/** What is fitted leaves what was read on it, and counts by that alone; null: nothing was. */
function ownChance({ question, drawer, fitted, response }: ChoiceRequest): number | null {
  if (!question.measured) return null
  const lots = lotMap(drawer)
  const stays = predict(question, fitted, fitted, lots, response)
  const own = surelyIn(question, stays, [{ fitted, next: fitted, perPiece: response.perPiece }], lots)
  return worstChance(own, leavesOf(question.also ?? [], fitted, fitted, lots))?.inside ?? null
}

/** Is there another pack as thick as the one that is fitted? */
function hasTwin(drawer: PreparedDrawer, { question: { from, uRefit } }: ChoiceRequest): boolean {
  const play = Math.round(from.play)
  return (
    searchPacks(drawer, { from, uRefit, aim: play, width: 1, limits: null, allowed: { low: play, high: play }, wanted: 1 }).found.length > 0
  )
}

/**
 * Share of the draws for which some pack of the drawer brings all of it into limits.
 * @param apart  without packs as thick as the fitted one: that is the only one, and counts by its own reading
 */
function coverage(drawer: PreparedDrawer, request: ChoiceRequest, draws: readonly (readonly number[])[], apart: boolean): number {
  const reaches = (plays: readonly number[]) => {
    const totals = totalsFor(request, drawer.fittedTotal, plays)
    const [low, high] = [Math.max(0, totals.low), Math.min(drawer.reach.largest, totals.high)]
    const own = drawer.fittedTotal
    const spans = apart && own >= low && own <= high ? [[low, own - 1] as const, [own + 1, high] as const] : [[low, high] as const]
    return spans.some(([from, to]) => {
      if (from > to) return false
      for (let k = drawer.fewestPicks; k <= drawer.mostPicks; k++) if (k === 0 ? from <= 0 : drawer.reach.can(0, k, from, to)) return true
      return false
    })
  }
  return draws.filter(reaches).length / draws.length
}

function combinations<T>(items: readonly T[], size: number): T[][] {
  if (size === 0) return [[]]
  return items.flatMap((item, i) => combinations(items.slice(i + 1), size - 1).map(rest => [item, ...rest]))
}

/** Told as none. */
const NEGLIGIBLE = 0.005

interface Planned {
  readonly stock: number
  /** sizes */
  readonly ordered: number
  readonly chance: number
  readonly wanted: number
  /** a pack of the drawer is in limits by the sizes as they are listed */
  readonly reached: boolean
}

function planWords({ stock, ordered, chance, wanted, reached }: Planned): string {
  if (ordered === 0) {
    if (stock >= wanted)
      return `Once a fitting has shown the play, the drawer holds a pack that fits, with a chance of ${percent(stock)}: nothing to order.`
    const held =
      stock < NEGLIGIBLE
        ? 'No pack of the drawer fits'
        : reached
          ? `One of the packs of the drawer fits, once it is in and measured, with a chance of ${percent(stock)}`
          : `By the sizes as they are listed no pack of the drawer fits; reading and pieces may be off by enough that one does, with a chance of ${percent(stock)}`
    return `${held}. No size in the catalogue adds to that: enter the sizes that can be had under Stock, with none on hand.`
  }
  return `${ordered === 1 ? 'One size' : `${ordered} sizes`} to order: then one of the packs fits with a chance of ${percent(chance)}, instead of ${percent(stock)}${chance < wanted ? `, short of ${percent(wanted)}` : ''}.`
}
