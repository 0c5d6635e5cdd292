import type { Exact } from '../quantity/figure'
import type { Scale } from '../quantity/format-length'
import type { Estimate } from '../reading/estimate'
import type { AimPoint } from '../verdict/aim'

/** What the figure of a work does to one result: so much of it per unit of the figure. */
export interface WorkEffect {
  /** kind of the result */
  readonly result: string
  readonly position: string | null
  /** the figure at which the result would be nothing */
  readonly zero: Estimate
  readonly slope: number
  /** the result is the middle of a range: so far its ends lie from it, and both must be in limits */
  readonly reach?: number
}

/**
 * What is done to a part where no piece is chosen: it is set to a figure and can be set again (a spacer with a screw), or worked to
 * one and does not come back (a bore honed, a face rubbed down). Figures in small units of the result.
 */
export interface Work {
  /** `bore`, `dial`, `spacer`, `face` */
  readonly id: string
  /** what to do, before the figure: `Set the spacer to read` */
  readonly label: string
  readonly does: 'adjustment' | 'rework'
  readonly position: string | null
  readonly scale: Scale
  /** The results it moves; the window is what all of them allow. */
  readonly effects: readonly WorkEffect[]
  /** the figure as it is now; null: not measured */
  readonly now: Estimate | null
  /** which way it has to go, in words: by how much it lacks, and by how much it is too far */
  readonly way: { readonly up: string; readonly down: string }
  /** a screw does it: what one turn moves the figure by */
  readonly turn?: number
  /** it goes no further than these, and why: upwards unless said */
  readonly stops?: readonly { readonly at: number; readonly down?: true; readonly words: string }[]
  /** what to know while doing it */
  readonly note?: string
  readonly points: readonly string[]
  readonly formula: string
}

/** A work with what it has to come to. */
export interface Target extends Work {
  readonly value: Exact
  /** what the figures it rests on are known to, at 95 % */
  readonly U: number
  /** where in the limits of its first result it leads, and why there */
  readonly aim: AimPoint
  /** figures between which every result it moves is in its limits; null where an end is open */
  readonly low: Exact | null
  readonly high: Exact | null
  /** no figure brings all of them into their limits */
  readonly impossible: boolean
  /** how far it has to go from now to what is aimed at; null where it was not measured */
  readonly left: number | null
  /** it would do as it is now */
  readonly enough: boolean
  /** why it cannot be brought there: it stops before; null: it can */
  readonly stopped: string | null
}
