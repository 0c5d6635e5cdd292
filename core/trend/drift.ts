import { median, scaledMad } from '../reading/statistics'
import { coverageFactor } from '../reading/student'
import { kendall } from './kendall'
import type { Measured } from './service-figures'

/** A unit at one service: what its meter stood at, or how many days had gone; the figure as it came in and as it went out. */
export interface Service {
  /** null: not known */
  readonly at: number | null
  readonly found: Measured | null
  readonly left: Measured | null
}

/** How a figure moves between services. */
export interface Drift {
  /** from one service to the next it is known what it changed by */
  readonly stretches: number
  /** up, down, or neither: in every one of them alike */
  readonly eachTime: 1 | -1 | 0
  /** chance of as much order where there is none; null: too few to tell */
  readonly p: number | null
  /** it can be told that it moves: p is small, and it moved by more than the readings leave open */
  readonly clear: boolean
  /** null where nobody knows how long the stretches were */
  readonly rate: Rate | null
  /** the one stretch that is no more of the same; the rate is told without it */
  readonly jump: Jump | null
}

/** How fast. */
export interface Rate {
  /** small units per hour, kilometre or day */
  readonly value: number
  /** half-width at 95 % */
  readonly U: number
}

/** A change that stands apart. */
export interface Jump {
  /** the services it lies between, by their place in the list */
  readonly from: number
  readonly to: number
  readonly by: number
}

/** Fewer stretches say nothing of how much they differ. */
const FEWEST = 2
/** Five figures: the fewest that can be told from chance at 5 %. */
const FEWEST_RANKED = 4
const BY_CHANCE = 0.05
/** So many scaled median deviations from the others is no more of the same. Common practice. */
const APART = 3
/** nobody reads closer than a small unit */
const WHOLE = 1

/** What it changed by between services that follow one another. */
interface Stretch {
  readonly from: number
  readonly to: number
  readonly d: number
}
/** Stretches taken together, from one service whose meter is known to the next. */
interface Span extends Stretch {
  readonly h: number
}

/**
 * How a figure drifts: by what it changed from one service's end to the next one's beginning. What was adjusted or replaced lies between
 * the beginning and the end of a service, and so in no stretch. That it moves is told by the order of the figures (Kendall), what was
 * adjusted taken out; how fast, by what it changed by over what went by.
 * @param services  in the order they were
 * @returns null with fewer than two stretches
 */
export function drift(services: readonly Service[]): Drift | null {
  const stretches = services.slice(1).flatMap((service, i): Stretch[] => {
    const before = services[i]!
    return before.left && service.found ? [{ from: i, to: i + 1, d: service.found.value - before.left.value }] : []
  })
  if (stretches.length < FEWEST) return null
  const spans = spansOf(services, stretches)
  const jump = jumpOf(services, spans)
  const p = stretches.length < FEWEST_RANKED ? null : kendall(runsOf(stretches)).p
  const moved = Math.abs(stretches.reduce((sum, { d }) => sum + d, 0))
  const leftOpen = coverageFactor(Infinity) * Math.sqrt(readingVariance(services, stretches))
  const ways = new Set(stretches.map(({ d }) => Math.sign(d)))
  return {
    stretches: stretches.length,
    eachTime: ways.size === 1 ? (stretches[0]!.d > 0 ? 1 : stretches[0]!.d < 0 ? -1 : 0) : 0,
    p,
    clear: p !== null && p <= BY_CHANCE && moved > leftOpen,
    rate: rateOf(
      services,
      spans.filter(({ from }) => from !== jump?.from),
    ),
    jump,
  }
}

/** The figures as they would have been had nobody adjusted anything, in runs that are joined. */
function runsOf(stretches: readonly Stretch[]): number[][] {
  const runs: number[][] = []
  for (const [i, { from, d }] of stretches.entries()) {
    if (stretches[i - 1]?.to !== from) runs.push([0])
    const run = runs.at(-1)!
    run.push(run.at(-1)! + d)
  }
  return runs
}

const joinedTo = (open: Stretch | null, stretch: Stretch): Stretch =>
  open?.to === stretch.from ? { from: open.from, to: stretch.to, d: open.d + stretch.d } : stretch

/** Stretches joined over services whose meter is not known; one over which it did not move on is no span. */
function spansOf(services: readonly Service[], stretches: readonly Stretch[]): Span[] {
  const spans: Span[] = []
  let open: Stretch | null = null
  for (const stretch of stretches) {
    const joined: Stretch = joinedTo(open, stretch)
    const [start, end] = [services[joined.from]!.at, services[joined.to]!.at]
    if (start !== null && end !== null && end > start) spans.push({ ...joined, h: end - start })
    open = start === null || end !== null ? null : joined
  }
  return spans
}

/**
 * Each span h is taken to add rate · h, and to stray from it with a variance that grows with h. The best straight rate is then all that it
 * changed by over all that went by, Σd/Σh (the ratio estimator; Cochran, Sampling Techniques, chapter 6, from memory), with variance
 * Σ(d − rate · h)²/h / (n − 1) / Σh, and never less than what the measurements themselves leave open. The interval is Student's, ν = n − 1.
 */
function rateOf(services: readonly Service[], spans: readonly Span[]): Rate | null {
  const n = spans.length
  if (n < FEWEST) return null
  const sum = (of: (span: Span) => number) => spans.reduce((total, span) => total + of(span), 0)
  const all = sum(({ h }) => h)
  const value = sum(({ d }) => d) / all
  const scatter = sum(({ h, d }) => (d - value * h) ** 2 / h) / (n - 1) / all
  const reading = Math.sqrt(readingVariance(services, spans)) / all
  return { value, U: Math.max(coverageFactor(n - 1) * Math.sqrt(scatter), coverageFactor(Infinity) * reading) }
}

/** What the readings leave open of all these together: one that ends a stretch and begins the next is the same in both, and drops out. */
function readingVariance(services: readonly Service[], stretches: readonly Stretch[]): number {
  return stretches.reduce((sum, { from, to }) => {
    // What lies within a span counts where it was set right.
    const inner = services.slice(from + 1, to).reduce((own, one) => own + (isOne(one) ? 0 : variance(one.found!) + variance(one.left!)), 0)
    const joined = (at: number, end: 'from' | 'to') => stretches.some(other => other[end] === at) && isOne(services[at]!)
    const begins = joined(from, 'to') ? 0 : variance(services[from]!.left!)
    const ends = joined(to, 'from') ? 0 : variance(services[to]!.found!)
    return sum + inner + begins + ends
  }, 0)
}

/** The span that lies furthest off what the others would have it, if that is far. */
function jumpOf(services: readonly Service[], spans: readonly Span[]): Jump | null {
  if (spans.length < FEWEST_RANKED) return null
  const usual = median(spans.map(({ h, d }) => d / h))
  const off = spans.map(({ h, d }) => d - usual * h)
  const scale = scaledMad(off)
  const beyond = spans.map((span, i) => {
    const open = Math.sqrt(variance(services[span.from]!.left!) + variance(services[span.to]!.found!))
    return Math.abs(off[i]!) - APART * Math.max(scale, open, WHOLE)
  })
  const most = beyond.indexOf(Math.max(...beyond))
  const { from, to, d } = spans[most]!
  return beyond[most]! > 0 ? { from, to, by: d } : null
}

/** Nothing was done to it: what it came in with is what it went out with. */
const isOne = ({ found, left }: Service): boolean => found !== null && left !== null && found.value === left.value && found.U === left.U

/** Standard uncertainty squared, from the expanded one at about 2. */
const variance = ({ U }: Measured): number => (U / 2) ** 2

/** How much more the meter turns, or how many days go by, before a limit is reached at this drift. */
export interface Reach {
  readonly limit: number
  readonly soonest: number
  /** null: it may never */
  readonly latest: number | null
}

/**
 * When the figure would reach the limit it moves towards, by how fast it moves and how well the last figure is known.
 * @returns null: it cannot be told that it moves, or how fast, or there is no limit that way
 */
export function reachOf(
  { rate, clear }: Pick<Drift, 'rate' | 'clear'>,
  from: Measured,
  { lower, upper }: { readonly lower: number | null; readonly upper: number | null },
): Reach | null {
  if (!clear || !rate) return null
  const way = Math.sign(rate.value)
  const limit = way > 0 ? upper : lower
  if (limit === null) return null
  const room = (limit - from.value) * way
  if (room <= 0) return null
  const [fastest, slowest] = [Math.abs(rate.value) + rate.U, Math.abs(rate.value) - rate.U]
  return {
    limit,
    soonest: Math.max(0, room - from.U) / fastest,
    latest: slowest > 0 ? (room + from.U) / slowest : null,
  }
}
