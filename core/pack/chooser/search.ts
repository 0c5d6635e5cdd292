import { chanceInLimits } from '../../verdict/chance'
import { SURE } from '../../verdict/decide'
import type { LimitSet } from '../../verdict/limits'
import { ASSUMED } from '../lot'
import { predictionNu, type Measured } from '../predict'
import { piecesPerPick } from '../response'
import { binOf, chanceClass, compareKeys, meritKey, type MeritKey } from './merit'
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
  readonly allowed?: { readonly low: number, readonly high: number }
  readonly wanted: number
  /** Search effort before the answer is called unproven. */
  readonly cap?: number
}

export interface Found { readonly key: MeritKey, /** picks per lot */ readonly picks: readonly number[], readonly play: number }
export interface SearchResult { readonly found: readonly Found[], readonly proven: boolean, readonly visited: number }

interface Interval { readonly low: number, readonly high: number }
/** Totals of one distance bin: one stretch each side of the aim. */
interface Bin { readonly bin: number, readonly stretches: readonly Interval[], readonly best: number, readonly holdsFitted: boolean, /** no pack of it can be of a better class */ readonly cls: number }

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
  let visited = 0
  const worst = () => (found.length < wanted ? null : found[wanted - 1]!)

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
    const plays: Interval[] = b === 0 ? [{ low: aim - width, high: aim + width }] : [{ low: aim - (b + 1) * width, high: aim - b * width }, { low: aim + b * width, high: aim + (b + 1) * width }]
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
    // The fitted pack itself needs no refit, so its bin may hold a better chance than any change gives.
    const holdsFitted = stretches.some(s => drawer.fittedTotal >= s.low && drawer.fittedTotal <= s.high)
    return { bin: b, stretches, best, holdsFitted, cls: !limits || holdsFitted ? 1 : chanceClass(chanceAt(best, refitVariance)) }
  }

  function reachable({ low, high }: Interval): boolean {
    for (let k = drawer.fewestPicks; k <= drawer.mostPicks; k++) if (drawer.reach.can(0, k, low, high)) return true
    return false
  }

  /** The play of a stretch that has the best chance: nearest the middle of the limits. */
  function safest(low: number, high: number): number {
    const lower = limits?.kind === 'upper' ? -Infinity : limits?.lower ?? -Infinity
    const upper = limits?.kind === 'lower' ? Infinity : limits?.upper ?? Infinity
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
    // Variance up to which a pack of this bin can still be of the class visited; above, it is at least one class worse.
    const ceiling = limits && !bin.holdsFitted && cls < 3 ? varianceFor(bin.best, cls === 1 ? SURE : 0.5) : Infinity
    if (fits(0, picks, 0)) extend(0, picks, 0, 0, 0, 0, 0, 0)

    function fits(i: number, left: number, sum: number): boolean {
      return bin.stretches.some(s => drawer.reach.can(i, left, s.low - sum, s.high - sum))
    }

    function cut(i: number, left: number, variance: number, changes: number, cost: number, spread: number): boolean {
      const end = worst()
      if (!end) return false
      const atLeast = refitVariance + spread > ceiling ? cls + 1 : cls
      const bound = meritKey(order, atLeast, bin.bin, pieces, variance + left * suffix.variance[i]!, changes + Math.abs(left * per - suffix.fitted[i]!), cost + left * suffix.cost[i]!)
      // Packs come in the order of their lot ids, so an equal key later in the cell loses the tie.
      return compareKeys(bound, end.key) >= 0
    }

    /** spread: variance that changed pieces add; shared: net measured pieces changed, which one micrometer's offset moves together. */
    function extend(from: number, left: number, sum: number, variance: number, changes: number, cost: number, spread: number, shared: number): void {
      visited++
      if (visited > cap) return
      if (left === 0) {
        if (suffix.least[from]! > 0) return
        accept(sum, variance, changes + suffix.fitted[from]!, cost, spread + suffix.removal[from]!, shared - suffix.measuredFitted[from]!)
        return
      }
      const last = left === 1 ? lastPicks(from, sum) : null
      for (let i = from; i < lots; i++) {
        if (last !== null && last.length === 0) return
        if (!fits(i, left, sum) || cut(i, left, variance, changes, cost, spread)) return
        if (last !== null) {
          // Only these lots complete the total; the others are passed over, which still may take fitted pieces out.
          if (last[0] !== i) {
            if (drawer.least[i]! > 0) return
            pass(i)
            continue
          }
          last.shift()
        }
        for (let x = Math.min(drawer.available[i]!, left); x >= Math.max(1, drawer.least[i]!); x--) {
          const total = sum + x * drawer.size[i]!
          if (!fits(i + 1, left - x, total)) continue
          const delta = x * per - drawer.fittedPieces[i]!
          counts[i] = x
          const step: [number, number, number, number, number] = [variance + x * drawer.variance[i]!, changes + Math.abs(delta), cost + x * drawer.cost[i]!, spread + changeVariance(drawer, i, delta), shared + (drawer.measured[i] ? delta : 0)]
          if (!cut(i + 1, left - x, step[0], step[1], step[2], step[3])) extend(i + 1, left - x, total, ...step)
          counts[i] = 0
        }
        if (drawer.least[i]! > 0) return
        pass(i)
      }

      function pass(i: number): void {
        const gone = drawer.fittedPieces[i]!
        if (gone === 0) return
        changes += gone
        spread += changeVariance(drawer, i, -gone)
        shared -= drawer.measured[i] ? gone : 0
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

    function accept(total: number, variance: number, changes: number, cost: number, spread: number, shared: number): void {
      const play = basePlay + c * total
      if (binOf(play, aim, width) !== bin.bin || play < allowed.low || play > allowed.high) return
      const same = changes === 0
      const inside = limits ? chanceAt(play, same ? measured.u ** 2 : refitVariance + spread + (shared * ASSUMED.micrometer) ** 2, same ? measured.nu : nu) : null
      const key = meritKey(order, chanceClass(inside), bin.bin, pieces, variance, changes, cost)
      const at = found.findIndex(other => compareKeys(key, other.key) < 0)
      if (at === -1 && found.length >= wanted) return
      found.splice(at === -1 ? found.length : at, 0, { key, picks: [...counts], play })
      if (found.length > wanted) found.pop()
    }
  }

  /** Largest variance that leaves `level` chance at this play, nm². */
  function varianceFor(play: number, level: number): number {
    let low = 0
    let high = 1e14
    if (chanceAt(play, high) >= level) return Infinity
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2
      if (chanceAt(play, middle) >= level) low = middle
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

/** For each lot i, what the lots from i on can still cost at least, and what they add when nothing of them is taken. */
function suffixBounds(drawer: PreparedDrawer) {
  const lots = drawer.lots.length
  const filled = (value: number) => new Array<number>(lots + 1).fill(value)
  const variance = filled(Infinity)
  const cost = filled(Infinity)
  const fitted = filled(0)
  const removal = filled(0)
  const measuredFitted = filled(0)
  const least = filled(0)
  for (let i = lots - 1; i >= 0; i--) {
    const free = drawer.available[i]! > 0
    variance[i] = Math.min(variance[i + 1]!, free ? drawer.variance[i]! : Infinity)
    cost[i] = Math.min(cost[i + 1]!, free ? drawer.cost[i]! : Infinity)
    fitted[i] = fitted[i + 1]! + drawer.fittedPieces[i]!
    removal[i] = removal[i + 1]! + changeVariance(drawer, i, -drawer.fittedPieces[i]!)
    measuredFitted[i] = measuredFitted[i + 1]! + (drawer.measured[i] ? drawer.fittedPieces[i]! : 0)
    least[i] = least[i + 1]! + drawer.least[i]!
  }
  // With nothing left to pick, 0 × Infinity must not poison the bound.
  for (let i = 0; i <= lots; i++) {
    if (variance[i] === Infinity) variance[i] = 0
    if (cost[i] === Infinity) cost[i] = 0
  }
  return { variance, cost, fitted, removal, measuredFitted, least }
}
