import type { Scale } from '../quantity/format-length'
import type { LengthUnit, Nm } from '../quantity/length'
import type { EntryOptions } from '../quantity/question'
import type { Estimate, Pooled } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import type { Body } from '../reading/temperature'
import type { Gauge, GaugeKind } from '../reading/gauge'
import type { LimitSet } from '../verdict/limits'
import type { Counting } from './places'
import type { Entry, Reading, Stone } from '../reading/reading'

export type WayId =
  | 'dial'
  | 'micrometer'
  | 'inside-micrometer'
  | 'bore-gauge'
  | 'feeler'
  | 'plastic-strip'
  | 'feel'
  | 'word'
  | 'pieces'
  | 'set'
  | 'hone'
  | 'comparator'
  | 'comparator-now'
  | 'depth'
  | 'depth-now'
  | 'turning-torque'
  | 'spring-scale'
  | 'go-no-go'
  | 'calipers'
  | 'at-mark'
  | 'clock'
  | 'thermometer'

/** What a way of measuring needs to know besides the readings. */
export interface WayContext {
  /** null for ways that use none, and where the register has none yet */
  readonly gauge: Gauge | null
  /** Width of the limits the gates go by, in small units of the result; null when graduations alone decide. */
  readonly band: number | null
  readonly unit: LengthUnit
  /** Degrees between plunger and movement, for a dial. */
  readonly tipAngle: number
  readonly pooled: Pooled | null
  /** judged by the guarded rule: failure can hurt */
  readonly guarded?: boolean
  /** What a part that was not at the temperature of its gauge is corrected by; null where the kind knows no metal. */
  readonly heat: Heat | null
  /** where a force is pulled, from the axis it turns about; null: not known */
  readonly radius: Nm | null
  /** which of the readings at several places of one gap counts */
  readonly counting: Counting
  /** what of the calipers touches; null: nobody said */
  readonly jaws: Jaws | null
}

/** What of calipers touches the part: each has a zero of its own. */
export type Jaws = 'outside' | 'inside' | 'rod'

/** The part's expansion per kelvin, the scale or master it is read against, and for a deviation the size it is a deviation from, nm. */
export interface Heat {
  readonly partAlpha: number
  readonly gauge: Body
  readonly size: number | null
}

/** One figure of a point where each stands for itself: another piece, another pass. */
export interface SingleFigure {
  readonly id: string
  readonly at: string | null
  readonly estimate: Estimate
  /** what the part's heat added to the figure, nm; taken off already */
  readonly heat: number
  readonly stone: Stone | null
}

/** What the readings of one point say. */
export interface PointAnswer {
  readonly estimate: Estimate | null
  readonly findings: readonly Finding[]
  /** the newest word, for a point that is answered in words */
  readonly word: string | null
  /** no figure, but so much or less, nm: said in a word */
  readonly atMost?: { readonly value: number; readonly words: string }
  /** figure by figure in the order they were read, where each stands for itself */
  readonly singles?: readonly SingleFigure[]
  /** the pieces taken, by the readings that measured them */
  readonly taken?: readonly string[]
  /** both ends of what was read over a turn */
  readonly turn?: { readonly least: Estimate; readonly most: Estimate }
}

/** A way of measuring: what is typed, with which gauge, and what it comes to. Nothing here knows what is measured. */
export interface Way {
  readonly id: WayId
  readonly title: string
  readonly entry: Entry
  readonly gauge: GaugeKind | null
  /** Whole sizes are typed and shown in inches or millimetres, plays and deviations in thou or millimetres. */
  readonly scale: Scale
  /** What the two figures of a range are called; `from` and `to` unless said. */
  readonly ends?: readonly [low: string, high: string]
  /** What follows a reading: the next point; a repeat of the same, averaged with it; another piece or pass at the same point, never averaged. */
  readonly again: 'next' | 'repeat' | 'another'
  /** Read again, the newest counts: it was set or turned between, and its readings are no repeats of one figure. */
  readonly newest?: true
  /** What the field asks for, before anything is typed. */
  readonly hint: string
  answer(readings: readonly Reading[], context: WayContext): PointAnswer
  /** What a figure is asked about before it is stored, whatever its limits; nothing unless said. */
  asks?(gauge: Gauge | null): EntryOptions
  /** Of the gauges of its kind the one that what is measured asks for; null: this one does, or none would do better. */
  suited?(of: readonly Gauge[], use: GaugeUse): Gauge | null
  /** Of several the likely one, while nothing is known of what is measured; the first unless said. */
  likely?(of: readonly Gauge[], small: boolean): Gauge | undefined
}

/** What a gauge is to be used for. */
export interface GaugeUse {
  readonly limits: LimitSet | null
  /** size that is measured, nm; null: not known */
  readonly near: number | null
  /** the check’s unit */
  readonly unit: LengthUnit
  /** the gauge in hand */
  readonly used: Gauge | null
}

export const NO_ANSWER: PointAnswer = { estimate: null, findings: [], word: null }
