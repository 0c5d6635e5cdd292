import { coverageFactor } from '../reading/student'
import type { Measured } from './service-figures'

/** A unit at one service: what its meter stood at, or how many days had gone; the figure as it came in and as it went out. */
export interface Service {
  readonly at: number
  readonly found: Measured | null
  readonly left: Measured | null
}

/** How fast a figure moves between services. */
export interface Drift {
  /** small units per hour, kilometre or day */
  readonly rate: number
  /** of the rate, half-width at 95 % */
  readonly U: number
  /** stretches between services that it rests on */
  readonly stretches: number
  /** zero is not in the interval: it can be told that it moves */
  readonly clear: boolean
}

/** Fewer stretches say nothing of how much they differ. */
const FEWEST = 2

/**
 * How fast a figure drifts: what it changed by from one service’s end to the next one’s beginning. What was adjusted or replaced lies between
 * the beginning and the end of a service, and so in no stretch.
 *
 * Each stretch h is taken to add rate · h, and to stray from it with a variance that grows with h. The best straight rate is then all that it
 * changed by over all that went by, Σd/Σh (the ratio estimator; Cochran, Sampling Techniques, chapter 6, from memory), with variance
 * Σ(d − rate · h)²/h / (n − 1) / Σh, and never less than what the measurements themselves leave open. The interval is Student’s, ν = n − 1.
 *
 * @param services  in the order they were
 * @returns null with fewer than two stretches
 */
export function drift(services: readonly Service[]): Drift | null {
  const stretches = services.slice(1).flatMap((service, i) => {
    const before = services[i]!
    return before.left && service.found && service.at > before.at
      ? [{ h: service.at - before.at, d: service.found.value - before.left.value, from: before, to: service }]
      : []
  })
  const n = stretches.length
  if (n < FEWEST) return null
  const sum = (of: (stretch: (typeof stretches)[number], i: number) => number) =>
    stretches.reduce((total, stretch, i) => total + of(stretch, i), 0)
  const all = sum(({ h }) => h)
  const rate = sum(({ d }) => d) / all
  const scatter = sum(({ h, d }) => (d - rate * h) ** 2 / h) / (n - 1) / all
  // A reading that ends one stretch and begins the next is the same in both, and drops out of the sum.
  const reading = sum(({ from, to }, i) => {
    const [before, after] = [stretches[i - 1], stretches[i + 1]]
    return (before?.to === from && isOne(from) ? 0 : variance(from.left!)) + (after?.from === to && isOne(to) ? 0 : variance(to.found!))
  })
  const U = Math.max(coverageFactor(n - 1) * Math.sqrt(scatter), (coverageFactor(Infinity) * Math.sqrt(reading)) / all)
  return { rate, U, stretches: n, clear: Math.abs(rate) > U }
}

/** Nothing was done to it: what it came in with is what it went out with. */
const isOne = ({ found, left }: Service): boolean => found!.value === left!.value && found!.U === left!.U

/** Standard uncertainty squared, from the expanded one at about 2. */
const variance = ({ U }: Measured): number => (U / 2) ** 2

/** How much more the meter turns, or how many days go by, before a limit is reached at this drift. */
export interface Reach {
  readonly limit: number
  readonly soonest: number
  /** null: it may never */
  readonly latest: number | null
}

/** When the figure would reach the limit it moves towards; null: it cannot be told that it moves, or there is no limit that way. */
export function reachOf(
  { rate, U, clear }: Drift,
  from: Measured,
  { lower, upper }: { readonly lower: number | null; readonly upper: number | null },
): Reach | null {
  const limit = rate > 0 ? upper : lower
  if (!clear || limit === null) return null
  const way = Math.sign(rate)
  const room = (limit - from.value) * way
  if (room <= 0) return null
  return { limit, soonest: room / (Math.abs(rate) + U), latest: Math.abs(rate) - U > 0 ? room / (Math.abs(rate) - U) : null }
}
