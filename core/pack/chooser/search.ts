import { chanceInLimits } from '../../verdict/chance'
import { SURE } from '../../verdict/decide'
import type { LimitSet } from '../../verdict/limits'
import { ASSUMED } from '../lot'
import { predictionNu, type Measured } from '../predict'
import { piecesPerPick } from '../response'
import { suffixBounds } from './bounds'
import { beats, binOf, chanceClass, compareKeys, meritKey, type MeritKey } from './merit'
import { changeVariance, type PreparedDrawer } from './prepare'

export interface SearchQuestion {
  readonly measured: Measured
  readonly uRefit: number
  /** nm */
  readonly aim: number
  /** width of the distance bins, nm */
  readonly width: number
  /** null: every pack is of one class */
  readonly limits: LimitSet | null
  /** Only packs that leave a play in this closed range (nm). */
  readonly allowed?: { readonly low: number; readonly high: number }
  readonly wanted: number
  /** Search effort before the answer is called unproven. */
  readonly cap?: number
}

export interface Found {
  readonly key: MeritKey
  /** picks per lot */
  readonly picks: readonly number[]
  readonly play: number
}
export interface SearchResult {
  readonly found: readonly Found[]
  readonly proven: boolean
  readonly visited: number
}

interface Interval {
  readonly low: number
  readonly high: number
}
/** Totals of one distance bin: one stretch each side of the aim. */
interface Bin {
  readonly bin: number
  readonly stretches: readonly Interval[]
  readonly best: number
  /** no changed pack of it can be of a better class */
  readonly cls: number
}

/** A pack while it is built. spread: variance its changes add to the prediction; shared: net measured pieces changed, moved together by one micrometer's offset. */
interface Begun {
  readonly sum: number
  readonly variance: number
  readonly changes: number
  readonly cost: number
  readonly spread: number
  readonly shared: number
}

const NODE_CAP = 400_000

/**
 * The best packs by the order of merit, proven: cells (bin, picks) are visited from the best key they could hold; inside a cell
 * packs are built lot by lot, every branch cut that no total of the bin, or no better key, can come from; it stops when no
 * cell left can beat the last result.
 */
export function searchPacks(drawer: PreparedDrawer, question: SearchQuestion): SearchResult {
  const { measured, aim, width, limits, wanted } = question
  const c = drawer.response.perPiece
  const per = piecesPerPick(drawer.response)
  const order = drawer.rules.order ?? 'pieces'
  const basePlay = Math.round(measured.play) - c * drawer.fittedTotal
  const lots = drawer.lots.length
  const nu = predictionNu(measured, question.uRefit)
  const refitVariance = measured.u ** 2 + question.uRefit ** 2
  const cap = question.cap ?? NODE_CAP
  const allowed = question.allowed ?? { low: -Infinity, high: Infinity }
  const lowTotal = 0
  const highTotal = Math.min(drawer.reach.largest, drawer.rules.largestStack ?? Infinity)
  const suffix = suffixBounds(drawer)
  const bySize = drawer.size.map((size, lot) => ({ size, lot })).sort((a, b) => a.size - b.size)

  const found: Found[] = []
  const bins: (Bin | null)[] = []
  const ceilings = new Map<number, readonly [number, number]>()
  let visited = 0
  const worst = () => (found.length < wanted ? null : found[wanted - 1]!)

  considerFitted()
  for (const cls of limits ? [1, 2, 3] : [1]) {
    const last = lastBin()
    for (let b = 0; b <= last; b++) {
      const end = worst()
      if (end && (cls > end.key[0] || (cls === end.key[0] && b > end.key[1]))) break
      const bin = bins[b] === undefined ? (bins[b] = binAt(b)) : bins[b]
      if (!bin || bin.cls !== cls) continue
      for (let k = drawer.fewestPicks; k <= drawer.mostPicks; k++) searchCell(bin, k, cls)
      if (visited > cap) return { found, proven: false, visited }
    }
  }
  return { found, proven: true, visited }

  /** The furthest bin that a total of the drawer, and the allowed range, can fall in. */
  function lastBin(): number {
    const ends = [basePlay + c * lowTotal, basePlay + c * highTotal].map(play => Math.min(allowed.high, Math.max(allowed.low, play)))
    return Math.max(...ends.map(play => binOf(play, aim, width)))
  }

  function binAt(b: number): Bin | null {
    const plays: Interval[] =
      b === 0
        ? [{ low: aim - width, high: aim + width }]
        : [
            { low: aim - (b + 1) * width, high: aim - b * width },
            { low: aim + b * width, high: aim + (b + 1) * width },
          ]
    const stretches: Interval[] = []
    let best = Number.NaN
    for (const raw of plays) {
      const low = Math.max(raw.low, allowed.low)
      const high = Math.min(raw.high, allowed.high)
      const totals = [(low - basePlay) / c, (high - basePlay) / c].sort((x, y) => x - y)
      const stretch = { low: Math.max(lowTotal, Math.ceil(totals[0]!)), high: Math.min(highTotal, Math.floor(totals[1]!)) }
      if (low > high || stretch.low > stretch.high) continue
      if (!reachable(stretch)) continue
      stretches.push(stretch)
      const play = safest(low, high)
      if (Number.isNaN(best) || chanceAt(play, refitVariance) > chanceAt(best, refitVariance)) best = play
    }
    if (stretches.length === 0) return null
    return { bin: b, stretches, best, cls: limits ? chanceClass(chanceAt(best, refitVariance)) : 1 }
  }

  function reachable({ low, high }: Interval): boolean {
    for (let k = drawer.fewestPicks; k <= drawer.mostPicks; k++) if (drawer.reach.can(0, k, low, high)) return true
    return false
  }

  /** The play of a stretch that has the best chance: nearest the middle of the limits. */
  function safest(low: number, high: number): number {
    const lower = limits?.kind === 'upper' ? -Infinity : (limits?.lower ?? -Infinity)
    const upper = limits?.kind === 'lower' ? Infinity : (limits?.upper ?? Infinity)
    if (lower === -Infinity) return low
    if (upper === Infinity) return high
    return Math.min(high, Math.max(low, (lower + upper) / 2))
  }

  function chanceAt(play: number, variance: number, degrees = nu): number {
    return chanceInLimits({ value: play, u: Math.sqrt(variance), nu: degrees }, limits)?.inside ?? 1
  }

  function searchCell(bin: Bin, picks: number, cls: number): void {
    const counts = new Array<number>(lots).fill(0)
    const pieces = picks * per
    // Variance up to which a pack of this bin can still be of class 1 and 2.
    const [ceiling1, ceiling2] = ceilingsOf(bin)
    if (fits(0, picks, 0)) extend(0, picks, { sum: 0, variance: 0, changes: 0, cost: 0, spread: 0, shared: 0 })

    function fits(i: number, left: number, sum: number): boolean {
      for (const s of bin.stretches) if (drawer.reach.can(i, left, s.low - sum, s.high - sum)) return true
      return false
    }

    function cut(i: number, left: number, { variance, changes, cost, spread }: Begun): boolean {
      const end = worst()
      if (!end) return false
      // Picks beyond what the lots to come have fitted are new; fitted pieces beyond the picks go out. Either adds its spread.
      const surplus = left * per - suffix.fitted[i]!
      const more = surplus > 0 ? surplus * suffix.spread[i]! : -surplus * ASSUMED.individual ** 2
      const u2 = refitVariance + spread + more
      const atLeast = u2 <= ceiling1 ? cls : u2 <= ceiling2 ? Math.max(cls, 2) : 3
      // Packs come in the order of their lot ids, so an equal key later in the cell loses the tie.
      return !beats(
        order,
        end.key,
        atLeast,
        bin.bin,
        pieces,
        variance + left * suffix.variance[i]!,
        changes + Math.abs(surplus),
        cost + left * suffix.cost[i]!,
      )
    }

    /** Goes on from a pack begun with the lots before `from`; the lots passed over give up what they have fitted. */
    function extend(from: number, left: number, so: Begun): void {
      visited++
      if (visited > cap) return
      if (left === 0) {
        if (suffix.least[from] === 0) accept(passed(so, from, lots))
        return
      }
      if (left === 1) {
        for (const i of lastPicks(from, so.sum)) take(i, 1, 1, passed(so, from, i), from)
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
      if (suffix.least[from] !== suffix.least[i] || !fits(i + 1, left - x, sum)) return
      const delta = x * per - drawer.fittedPieces[i]!
      const then: Begun = {
        sum,
        variance: so.variance + x * drawer.variance[i]!,
        changes: so.changes + Math.abs(delta),
        cost: so.cost + x * drawer.cost[i]!,
        spread: so.spread + changeVariance(drawer, i, delta),
        shared: so.shared + (drawer.measured[i] ? delta : 0),
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
        for (let at = firstAtLeast(bySize, s.low - sum); at < bySize.length && bySize[at]!.size <= s.high - sum; at++) {
          const { lot } = bySize[at]!
          if (lot >= from && drawer.available[lot]! > 0) found.push(lot)
        }
      }
      return found.sort((a, b) => a - b)
    }

    function accept({ sum, variance, changes, cost, spread, shared }: Begun): void {
      const play = basePlay + c * sum
      if (changes === 0 || binOf(play, aim, width) !== bin.bin || play < allowed.low || play > allowed.high) return
      const inside = limits ? chanceAt(play, refitVariance + spread + (shared * ASSUMED.micrometer) ** 2) : null
      keep({ key: meritKey(order, chanceClass(inside), bin.bin, pieces, variance, changes, cost), picks: [...counts], play })
    }
  }

  function keep(pack: Found): void {
    const at = found.findIndex(other => compareKeys(pack.key, other.key) < 0)
    if (at === -1 && found.length >= wanted) return
    found.splice(at === -1 ? found.length : at, 0, pack)
    if (found.length > wanted) found.pop()
  }

  /** Leaving the pack as it is needs no refit, so no bound on changed packs holds for it: it is weighed on its own, first. */
  function considerFitted(): void {
    const picks = drawer.fittedPieces.map(pieces => pieces / per)
    const count = drawer.fittedCount / per
    const play = basePlay + c * drawer.fittedTotal
    const allowedHere =
      picks.every((x, i) => Number.isInteger(x) && x <= drawer.available[i]! && x >= drawer.least[i]!) &&
      count >= drawer.fewestPicks &&
      count <= drawer.mostPicks &&
      drawer.fittedTotal <= highTotal
    if (!allowedHere || play < allowed.low || play > allowed.high) return
    const inside = limits ? chanceAt(play, measured.u ** 2, measured.nu) : null
    const over = (column: readonly number[]) => picks.reduce((total, x, i) => total + x * column[i]!, 0)
    keep({
      key: meritKey(order, chanceClass(inside), binOf(play, aim, width), drawer.fittedCount, over(drawer.variance), 0, over(drawer.cost)),
      picks,
      play,
    })
  }

  function ceilingsOf(bin: Bin): readonly [number, number] {
    if (!limits) return [Infinity, Infinity]
    const known = ceilings.get(bin.bin)
    if (known) return known
    const found = [largestU(bin.best, SURE) ** 2, largestU(bin.best, 0.5) ** 2] as const
    ceilings.set(bin.bin, found)
    return found
  }

  /** Largest standard uncertainty that leaves `level` chance at this play, nm, rounded up. */
  function largestU(play: number, level: number): number {
    let low = 0
    let high = 1e7
    if (chanceAt(play, high ** 2) >= level) return Infinity
    while (high - low > 1) {
      const middle = (low + high) / 2
      if (chanceAt(play, middle ** 2) >= level) low = middle
      else high = middle
    }
    return high
  }
}

function firstAtLeast(sorted: readonly { size: number }[], size: number): number {
  let low = 0
  let high = sorted.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]!.size < size) low = middle + 1
    else high = middle
  }
  return low
}
