import { bisector } from 'd3-array'
import { mostSpread, suffixBounds } from './bounds'
import { cellsOf } from './cells'
import { searchCell, type Bin, type CellContext, type Interval } from './cell'
import { AtBest, ChanceBounds, WorstChance, type Chances } from './chance-bounds'
import { MOST_IN_DOUBT } from '../leaves'
import { CLASSES, binOf, classAt, compareKeys, roomBefore } from './merit'
import type { PreparedDrawer } from './prepare'
import type { Found, SearchQuestion } from './question'
import { Target } from './target'

export interface SearchResult {
  readonly found: readonly Found[]
  readonly proven: boolean
  readonly visited: number
}

/** Where a pack belongs among those found: behind those it equals. */
const byKey = bisector<Found, Found>((a, b) => compareKeys(a.key, b.key))
const NODE_CAP = 2_000_000

/**
 * The best changed packs by the order of merit, proven: bins, and in them cells of like trouble, are visited from the best key they could
 * hold; inside a cell packs are built lot by lot, every branch cut that no total of the bin, or no better key, can come from; it stops
 * when no cell left can beat the last result. The fitted pack is no answer: what it leaves was measured.
 */
export function searchPacks(drawer: PreparedDrawer, question: SearchQuestion): SearchResult {
  const { from, aim, lean, width, limits, wanted } = question
  const levels = question.levels ?? CLASSES
  const order = drawer.rules.order ?? 'trouble'
  const c = drawer.response.perPiece
  const basePlay = Math.round(from.play) - c * drawer.fittedTotal
  const { also = [] } = question
  // Where nothing is judged nothing is in doubt.
  const doubts = limits === null ? [] : (question.doubts ?? [])
  // Another sum that could be right is held to the same limits.
  const besides = [
    ...also,
    ...also.flatMap(one => one.doubts.map(other => ({ ...one, from: other }))),
    ...doubts.map(other => ({ from: other, limits, perPiece: drawer.response.perPiece })),
  ]
  const worst: Chances =
    besides.length === 0
      ? new ChanceBounds(from, question.uRefit, limits)
      : new WorstChance(from, question.uRefit, limits, besides, drawer.response)
  const chances = besides.length > also.length ? new AtBest(worst, MOST_IN_DOUBT) : worst
  const allowed = question.allowed ?? { low: -Infinity, high: Infinity }
  if (allowed.low > allowed.high) return { found: [], proven: true, visited: 0 }
  const highTotal = Math.min(drawer.reach.largest, drawer.rules.largestStack ?? Infinity)
  const suffix = suffixBounds(drawer)
  const target = new Target(aim, lean ?? null, from, { least: chances.least, most: chances.least + (lean ? mostSpread(drawer) : 0) })
  const cells = cellsOf(drawer, suffix)
  const found: Found[] = []
  const bins: (Bin | null)[] = []
  const context: CellContext = {
    drawer,
    question,
    levels,
    basePlay,
    allowed,
    chances,
    target,
    aimed: between((target.least - basePlay) / c, (target.most - basePlay) / c),
    suffix,
    bySize: drawer.size.map((size, lot) => ({ size, lot })).sort((a, b) => a.size - b.size),
    cap: question.cap ?? NODE_CAP,
    visited: 0,
    worst: () => (found.length < wanted ? null : found[wanted - 1]!.key),
    keep(pack) {
      const at = byKey.right(found, pack)
      if (at >= wanted) return
      found.splice(at, 0, pack)
      if (found.length > wanted) found.pop()
    },
  }

  const last = lastBin()
  for (let cls = 1; cls <= (limits ? levels.length + 1 : 1); cls++) {
    for (let b = 0; b <= last; b++) {
      const end = context.worst()
      if (end && (cls > end[0] || (cls === end[0] && b > end[1]))) break
      const bin = bins[b] === undefined ? (bins[b] = binAt(b)) : bins[b]
      // A bin is gone through once: when nothing in it can be of a better class than this.
      if (!bin || bin.cls !== cls) continue
      for (const cell of cells) {
        const lastKept = context.worst()
        // Cells that take as much may still be nearer, or of better pieces; those that take more are not.
        if (lastKept && roomBefore(order, lastKept, bin.cls, bin.bin, -1, cell.effort) < 0) break
        searchCell(context, bin, cell)
      }
      if (context.visited > context.cap) return { found, proven: false, visited: context.visited }
    }
  }
  return { found, proven: true, visited: context.visited }

  /** The furthest bin that a total of the drawer, and the allowed range, can fall in. */
  function lastBin(): number {
    const ends = [basePlay, basePlay + c * highTotal].map(play => Math.min(allowed.high, Math.max(allowed.low, play)))
    return Math.max(...ends.map(play => binOf(target.nearest(play), width)))
  }

  function binAt(b: number): Bin | null {
    const plays: Interval[] =
      b === 0
        ? [{ low: target.least - width, high: target.most + width }]
        : [
            { low: target.least - (b + 1) * width, high: target.least - b * width },
            { low: target.most + b * width, high: target.most + (b + 1) * width },
          ]
    const stretches: Interval[] = []
    const reached: Interval[] = []
    for (const raw of plays) {
      const low = Math.max(raw.low, allowed.low)
      const high = Math.min(raw.high, allowed.high)
      const totals = [(low - basePlay) / c, (high - basePlay) / c].sort((x, y) => x - y)
      const stretch = { low: Math.max(0, Math.ceil(totals[0]!)), high: Math.min(highTotal, Math.floor(totals[1]!)) }
      if (low > high || stretch.low > stretch.high || !reachable(stretch)) continue
      stretches.push(stretch)
      reached.push({ low, high })
    }
    if (stretches.length === 0) return null
    const ceilings = chances.ceilingsIn(reached, levels)
    return { bin: b, stretches, ceilings, cls: classAt(ceilings, chances.least) }
  }

  function reachable({ low, high }: Interval): boolean {
    for (let k = drawer.fewestPicks; k <= drawer.mostPicks; k++) if (drawer.reach.can(0, k, low, high)) return true
    return false
  }
}

const between = (a: number, b: number): Interval => ({ low: Math.min(a, b), high: Math.max(a, b) })
