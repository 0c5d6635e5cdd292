import { ASSUMED } from '../../../pack/lot'
import { piecesPerPick } from '../../../pack/response'
import type { suffixBounds } from './bounds'
import type { Chances } from './chance-bounds'
import { classAt, beats, binOf, chanceClass, meritKey, type Effort, type MeritKey } from './merit'
import { changeVariance, type PreparedDrawer } from './prepare'
import type { Found, SearchQuestion } from './question'

export interface Interval {
  readonly low: number
  readonly high: number
}
/** Totals of one distance bin: one stretch each side of the aim. */
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
  readonly suffix: ReturnType<typeof suffixBounds>
  readonly bySize: readonly { readonly size: number; readonly lot: number }[]
  readonly cap: number
  visited: number
  /** key of the last result that is wanted; null while there are not so many */
  worst(): MeritKey | null
  keep(pack: Found): void
}

/** A pack while it is built. spread: variance its changes add to the prediction; shared: net measured pieces changed, moved together by one micrometer's offset. */
interface Begun {
  readonly sum: number
  readonly variance: number
  readonly changes: number
  readonly unmeasured: number
  readonly cost: number
  readonly spread: number
  readonly shared: number
  /** one of the shape of which there must be just one is in */
  readonly one: boolean
}
const NOTHING: Begun = { sum: 0, variance: 0, changes: 0, unmeasured: 0, cost: 0, spread: 0, shared: 0, one: false }

/** Every pack of so many picks whose total lies in the bin and that can still be among the wanted ones. */
export function searchCell(context: CellContext, bin: Bin, picks: number): void {
  const { drawer, question, suffix, chances, allowed, basePlay } = context
  const { aim, width, limits } = question
  const c = drawer.response.perPiece
  const per = piecesPerPick(drawer.response)
  const order = drawer.rules.order ?? 'trouble'
  const lots = drawer.lots.length
  const pieces = picks * per
  const needsOne = drawer.rules.one !== undefined
  const counts = new Array<number>(lots).fill(0)
  const nearest = bin.bin * width
  if (fits(0, picks, 0)) extend(0, picks, NOTHING)

  function fits(i: number, left: number, sum: number): boolean {
    for (const s of bin.stretches) if (drawer.reach.can(i, left, s.low - sum, s.high - sum)) return true
    return false
  }

  function cut(i: number, left: number, so: Begun): boolean {
    const end = context.worst()
    if (!end) return false
    // Picks beyond what the lots to come have fitted are new; fitted pieces beyond the picks go out. Either adds its spread.
    const surplus = left * per - suffix.fitted[i]!
    const more = surplus > 0 ? surplus * suffix.spread[i]! : -surplus * suffix.steadiest[i]!
    // Packs come in the order of their lot ids, so an equal key later in the cell loses the tie.
    return !beats(order, end, classAt(bin.ceilings, chances.least + so.spread + more), bin.bin, nearest, {
      pieces,
      changes: so.changes + Math.abs(surplus),
      unmeasured: so.unmeasured,
      variance: so.variance + left * suffix.variance[i]!,
      cost: so.cost + left * suffix.cost[i]!,
    })
  }

  /** Goes on from a pack begun with the lots before `from`; the lots passed over give up what they have fitted. */
  function extend(from: number, left: number, so: Begun): void {
    context.visited++
    if (context.visited > context.cap) return
    if (left === 0) {
      if (suffix.least[from] === 0 && so.one === needsOne) accept(passed(so, from, lots))
      return
    }
    if (left === 1) {
      for (const i of lastPicks(from, so.sum)) if (drawer.single[i] || so.one === needsOne) take(i, 1, 1, passed(so, from, i), from)
      return
    }
    for (let i = from; i < lots; i++) {
      const here = passed(so, from, i)
      // Both only get worse along the drawer; the first is asked now and then, it costs more than it saves.
      if (((i - from) & 7) === 0 && !fits(i, left, so.sum)) return
      if (cut(i, left, here)) return
      for (let x = Math.min(drawer.available[i]!, left); x >= Math.max(1, drawer.least[i]!); x--) take(i, x, left, here, from)
      if (drawer.least[i]! > 0) return
    }
  }

  /** Takes x picks of lot i, having passed over the lots from `from` to it. */
  function take(i: number, x: number, left: number, so: Begun, from: number): void {
    const sum = so.sum + x * drawer.size[i]!
    if (so.one && drawer.single[i]) return
    if (suffix.least[from] !== suffix.least[i] || !fits(i + 1, left - x, sum)) return
    const delta = x * per - drawer.fittedPieces[i]!
    const then: Begun = {
      sum,
      variance: so.variance + x * drawer.variance[i]!,
      changes: so.changes + Math.abs(delta),
      unmeasured: so.unmeasured + (drawer.measured[i] ? 0 : Math.max(0, delta)),
      cost: so.cost + x * drawer.cost[i]!,
      spread: so.spread + changeVariance(drawer, i, delta),
      shared: so.shared + (drawer.measured[i] ? delta : 0),
      one: so.one || drawer.single[i]!,
    }
    if (cut(i + 1, left - x, then)) return
    counts[i] = x
    extend(i + 1, left - x, then)
    counts[i] = 0
  }

  /** What a pack is when the lots from `from` up to `to` give up all they have fitted. */
  function passed(so: Begun, from: number, to: number): Begun {
    const gone = suffix.fitted[from]! - suffix.fitted[to]!
    if (gone === 0) return so
    return {
      ...so,
      changes: so.changes + gone,
      spread: so.spread + suffix.removal[from]! - suffix.removal[to]!,
      shared: so.shared - suffix.measuredFitted[from]! + suffix.measuredFitted[to]!,
    }
  }

  /** Lots from `from` on whose one pick brings the total into the bin, in order. */
  function lastPicks(from: number, sum: number): number[] {
    const found: number[] = []
    for (const s of bin.stretches) {
      for (let at = firstAtLeast(context.bySize, s.low - sum); at < lots && context.bySize[at]!.size <= s.high - sum; at++) {
        const { lot } = context.bySize[at]!
        if (lot >= from && drawer.available[lot]! > 0) found.push(lot)
      }
    }
    return found.sort((a, b) => a - b)
  }

  function accept({ sum, variance, changes, unmeasured, cost, spread, shared }: Begun): void {
    const play = basePlay + c * sum
    if (changes === 0 || binOf(play, aim, width) !== bin.bin || play < allowed.low || play > allowed.high) return
    const inside = limits ? chances.at(play, chances.least + spread + (shared * ASSUMED.micrometer) ** 2) : null
    const effort: Effort = { pieces, changes, unmeasured, variance, cost }
    context.keep({
      key: meritKey(order, chanceClass(inside, context.levels), bin.bin, Math.abs(play - aim), effort),
      picks: [...counts],
      play,
    })
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
