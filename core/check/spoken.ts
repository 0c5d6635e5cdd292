import type { Nm } from '../quantity/length'
import type { Setup } from './setup'

/** Figures read at one place; empty: the first the kind reads. */
export interface SaidReading {
  readonly at: string
  readonly figures: readonly Nm[]
}
export interface Said {
  readonly setup: Setup
  readonly readings: readonly SaidReading[]
}
/** Set up for as many figures as were said, and what stands in for those that were not. */
export interface FilledOut extends Said {
  readonly standsIn: readonly string[]
}

/** How a job of a kind is said in one line. */
export interface Spoken {
  /**
   * What it is called, and what of the set-up that says; lower case, small words left out. One that leaves open which way the pack moves the play
   * says nothing of it: that is asked.
   */
  readonly phrases: readonly {
    readonly words: readonly string[]
    readonly setup?: Setup
    /** of the set-up alone: other kinds say it too */
    readonly detail?: true
  }[]
  /** Words in front of a figure that say where it was read: how the ids of those points begin. */
  readonly places?: Readonly<Record<string, string>>
  /** ids of fields without which no figure has a meaning, and how they are asked */
  readonly asks?: Readonly<Record<string, string>>
  /** Words at points a figure waits for. The answer takes them as given, and says so; they are left to do. */
  readonly taken?: { readonly words: Readonly<Record<string, string>>; readonly as: string }
  /** how it is set up where no piece is named */
  readonly unchosen?: Setup
  /** what it makes of the figures; left out: it takes them as they are */
  readonly fill?: (said: Said) => FilledOut
}

/** One figure of what is round stands for both planes. */
export const ROUND = 'round: one figure for both planes'
export const bothPlanes = (figures: readonly Nm[]): readonly Nm[] => (figures.length === 1 ? [figures[0]!, figures[0]!] : figures)
