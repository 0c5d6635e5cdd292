import { ASSUMED } from '../../../pack/lot'
import { piecesPerPick } from '../../../pack/response'
import { passed, taken, type Begun } from './begun'
import type { suffixBounds } from './bounds'
import type { Cell } from './cells'
import type { Chances } from './chance-bounds'
import { binOf, chanceClass, classAt, meritKey, roomBefore, type MeritKey } from './merit'
import type { PreparedDrawer } from './prepare'
import type { Found, SearchQuestion } from './question'
import type { Target } from './target'

export interface Interval {
  readonly low: number
  readonly high: number
}
/** Totals of one distance bin, as near as any pack of them can be: one stretch each side of the aim. */
export interface Bin {
  readonly bin: number
  readonly stretches: readonly Interval[]
  /** for each class of chance, the variance up to which a pack of the bin can be of it */
  readonly ceilings: readonly number[]
  /** no changed pack of it can be of a better class */
  readonly cls: number
}

/** What a search holds while it goes through its cells. */
export interface CellContext {
  readonly drawer: PreparedDrawer
  readonly question: SearchQuestion
  readonly levels: readonly number[]
  /** play with nothing in the place, nm */
  readonly basePlay: number
  readonly allowed: Interval
  readonly chances: Chances
  readonly target: Target
  /** totals that bring a pack to where it is aimed at, as near as any can be */
  readonly aimed: Interval
  readonly suffix: ReturnType<typeof suffixBounds>
  readonly bySize: readonly { readonly size: number; readonly lot: number }[]
  readonly cap: number
  visited: number
  /** key of the last result that is wanted; null while there are not so many */
  worst(): MeritKey | null
  keep(pack: Found): void
}

/** Every pack of a cell whose total lies in the bin and that can still be among the wanted ones. */
export function searchCell(context: CellContext, bin: Bin, { kept, begun, others, effort: { pieces } }: Cell): void {
  const { drawer, question, suffix, chances, target, aimed, allowed, basePlay } = context
  const { width, limits } = question
  const c = drawer.response.perPiece
  const per = piecesPerPick(drawer.response)
  const order = drawer.rules.order ?? 'trouble'
  const lots = drawer.lots.length
  const needsOne = drawer.rules.one !== undefined
  const nearest = bin.bin * width
  const counts = [...kept, ...new Array<number>(lots - kept.length).fill(0)]
  const within = room(kept.length, others, begun)
  if (within >= 0 && fits(kept.length, others, begun.sum, within)) extend(kept.length, others, begun, within)

  /** Can the rest be made so that the total is in the bin, and no further off its aim than so much? */
  function fits(i: number, left: number, sum: number, within: number): boolean {
    for (const { low, high } of bin.stretches) {
      const from = Math.max(low, aimed.low - within)
      const to = Math.min(high, aimed.high + within)
      if (from <= to && drawer.reach.can(i, left, from - sum, to - sum)) return true
    }
    return false
  }

  /** How far off its aim a pack that goes on from here may be; below zero: it is not wanted. */
  function room(i: number, left: number, so: Begun): number {
    const end = context.worst()
    if (!end) return Infinity
    // Picks beyond what the lots to come have fitted are new; fitted pieces beyond the picks go out. Either adds its spread.
    const surplus = left * per - suffix.fitted[i]!
    const more = surplus > 0 ? surplus * suffix.spread[i]! : -surplus * suffix.steadiest[i]!
    // Packs come in the order of their lots, so an equal key later in the cell loses the tie.
    return roomBefore(order, end, classAt(bin.ceilings, chances.least + so.spread + more), bin.bin, nearest, {
      pieces,
      changes: so.changes + Math.abs(surplus),
      unmeasured: so.unmeasured,
      variance: so.variance + left * suffix.variance[i]!,
      cost: so.cost + left * suffix.cost[i]!,
    })
  }

  /** Goes on from a pack begun with the lots before `from`; the lots passed over give up what they have fitted. */
  function extend(from: number, left: number, so: Begun, within: number): void {
    if (context.visited > context.cap) return
    if (left === 0) {
      if (suffix.least[from] === 0 && so.one === needsOne) accept(passed(suffix, so, from, lots))
      return
    }
    if (left === 1) {
      for (const i of lastPicks(from, so.sum, within))
        if (drawer.single[i] || so.one === needsOne) take(i, 1, 1, passed(suffix, so, from, i), from, within)
      return
    }
    for (let i = from; i < lots; i++) {
      const here = passed(suffix, so, from, i)
      const near = room(i, left, here)
      // All only get worse along the drawer; the second is asked now and then, it costs more than it saves.
      if (near < 0 || (((i - from) & 7) === 0 && !fits(i, left, so.sum, near))) return
      for (let x = Math.min(drawer.available[i]!, left); x >= Math.max(1, drawer.least[i]!); x--) take(i, x, left, here, from, near)
      if (drawer.least[i]! > 0) return
    }
  }

  /** Takes x picks of lot i, having passed over the lots from `from` to it. */
  function take(i: number, x: number, left: number, so: Begun, from: number, within: number): void {
    context.visited++
    if ((so.one && drawer.single[i]) || suffix.least[from] !== suffix.least[i]) return
    const rest = left - x
    const sum = so.sum + x * drawer.size[i]!
    // Of the last pick it is known for sure.
    if (rest === 1 ? lastPicks(i + 1, sum, within, 1).length === 0 : !fits(i + 1, rest, sum, within)) return
    const then = taken(drawer, so, i, x)
    const near = room(i + 1, rest, then)
    if (near < 0) return
    counts[i] = x
    extend(i + 1, rest, then, near)
    counts[i] = 0
  }

  /** Lots from `from` on whose one pick brings the total into the bin, in order; or as many of them as are asked for. */
  function lastPicks(from: number, sum: number, within: number, most = Infinity): number[] {
    const found: number[] = []
    for (const { low, high } of bin.stretches) {
      const to = Math.min(high, aimed.high + within) - sum
      for (let at = firstAtLeast(context.bySize, Math.max(low, aimed.low - within) - sum); at < lots; at++) {
        const { size, lot } = context.bySize[at]!
        if (size > to || found.length >= most) break
        if (lot >= from && drawer.available[lot]! > 0) found.push(lot)
      }
    }
    return found.sort((a, b) => a - b)
  }

  function accept({ sum, variance, changes, unmeasured, cost, spread, shared }: Begun): void {
    const play = basePlay + c * sum
    if (changes === 0 || binOf(target.nearest(play), width) !== bin.bin || play < allowed.low || play > allowed.high) return
    const moved = chances.least + spread + (shared * ASSUMED.micrometer) ** 2
    const inside = limits ? chances.at(play, moved) : null
    const distance = target.distance(play, moved)
    const key = meritKey(order, chanceClass(inside, context.levels), binOf(distance, width), distance, {
      pieces,
      changes,
      unmeasured,
      variance,
      cost,
    })
    context.keep({ key, picks: [...counts], play })
  }
}

function firstAtLeast(sorted: readonly { readonly size: number }[], size: number): number {
  let low = 0
  let high = sorted.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]!.size < size) low = middle + 1
    else high = middle
  }
  return low
}
