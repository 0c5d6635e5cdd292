import type { Scale } from '../quantity/format-length'
import type { LengthUnit } from '../quantity/length'
import type { Estimate, Pooled } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import type { Gauge, GaugeKind } from '../reading/gauge'
import type { Entry, Reading } from '../reading/reading'

export type WayId = 'dial' | 'micrometer' | 'inside-micrometer' | 'bore-gauge' | 'feeler' | 'plastic-strip' | 'feel' | 'word'

/** What a way of measuring needs to know besides the readings. */
export interface WayContext {
  /** null for ways that use none, and where the register has none yet */
  readonly gauge: Gauge | null
  /** Width of the limits the gates go by, nm; null when graduations alone decide. */
  readonly band: number | null
  readonly unit: LengthUnit
  /** Degrees between plunger and movement, for a dial. */
  readonly tipAngle: number
  readonly pooled: Pooled | null
}

/** What the readings of one point say. */
export interface PointAnswer {
  readonly estimate: Estimate | null
  readonly findings: readonly Finding[]
  /** the newest word, for a point that is answered in words */
  readonly word: string | null
}

/** A way of measuring: what is typed, with which gauge, and what it comes to. Nothing here knows what is measured. */
export interface Way {
  readonly id: WayId
  readonly title: string
  readonly entry: Entry
  readonly gauge: GaugeKind | null
  /** Whole sizes are typed and shown in inches or millimetres, plays and deviations in thou or millimetres. */
  readonly scale: Scale
  /** What the field asks for, before anything is typed. */
  readonly hint: string
  answer(readings: readonly Reading[], context: WayContext): PointAnswer
}

export const NO_ANSWER: PointAnswer = { estimate: null, findings: [], word: null }
