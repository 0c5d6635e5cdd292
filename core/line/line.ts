import type { Setup } from '../check/setup'
import type { SaidReading } from '../check/spoken'
import type { NamedPiece } from '../pack/read-pack'
import type { LengthUnit, Nm } from '../quantity/length'

/** Ends of what is allowed, nm; null: that side is open. */
export interface LineLimits {
  readonly lower: Nm | null
  readonly lowerExcluded: boolean
  readonly upper: Nm | null
  readonly upperExcluded: boolean
}
/** What is meant in two ways: the line as it would be typed without doubt. */
export interface LineAsk {
  readonly words: string
  readonly choices: readonly { readonly label: string; readonly line: string }[]
}
/** How it was measured, as far as the line says. */
export interface LineTool {
  /** the smallest division, nm; null: what stands in */
  readonly graduation: Nm | null
  /** the figure is the mean of so many readings */
  readonly readings: number
}

/** What a line says. What it leaves open is asked, or stands in, or is left to do. */
export interface Line {
  /** id of the kind; null: no word says which */
  readonly kind: string | null
  /** other kinds the words could mean, the likeliest first */
  readonly others: readonly string[]
  readonly setup: Setup
  /** what a bare figure means */
  readonly unit: LengthUnit
  readonly unitSaid: boolean
  readonly readings: readonly SaidReading[]
  readonly limits: LineLimits | null
  /** what is in now; null: nothing is said of it */
  readonly fitted: readonly NamedPiece[] | null
  /** what could go in besides: pieces, or a family of the drawer by name; null: only what is in */
  readonly drawer: { readonly pieces: readonly NamedPiece[] } | { readonly family: string } | null
  /** pieces are called by what only a drawer knows: a letter, a colour, a grade */
  readonly byName: boolean
  readonly tool: LineTool
  readonly asks: readonly LineAsk[]
  /** sentences: what of the line says nothing */
  readonly faults: readonly string[]
}
