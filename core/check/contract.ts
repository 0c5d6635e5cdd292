import type { Quantity } from '../quantity/quantity'
import type { Nm } from '../quantity/length'
import type { Estimate, Pooled } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import type { Gauge } from '../reading/gauge'
import type { LimitSet } from '../verdict/limits'
import type { EndWords } from '../verdict/words'
import type { Suspicion } from '../pack/ledger'
import type { Response } from '../pack/response'
import type { Step } from '../method/step'
import type { PointReading } from './document'

/** A choice made when a check is set up: where the pack sits, which way a part faces. */
export interface SetupField {
  readonly id: string
  readonly label: string
  readonly options: readonly { readonly value: string, readonly label: string, readonly hint?: string }[]
}
export type Setup = Readonly<Record<string, string>>

/** Where a reading is taken. The coordinates are free: position 1…4, direction A/B, station front/rear, angle 0…315. */
export interface MeasuringPoint {
  readonly id: string
  readonly label: string
  readonly at: Readonly<Record<string, string | number>>
  /** Way of measuring, a folder of `core/method`. */
  readonly method: 'dial'
}

/** One figure a check comes to, from one point or many. */
export interface MeasuredResult {
  readonly id: string
  readonly label: string
  readonly quantity: Quantity
  readonly at: Readonly<Record<string, string | number>>
  readonly estimate: Estimate | null
  readonly findings: readonly Finding[]
}

/** Where pieces go, and which result they move. A check that selects nothing has no place. */
export interface PackPlace {
  readonly id: string
  readonly label: string
  readonly result: string
  readonly response: Response
  /** What stands left and right of the pack in its drawing. */
  readonly between: readonly [string, string]
}

export interface MeasureInput {
  readonly setup: Setup
  /** Of one fitting. */
  readonly readings: readonly PointReading[]
  readonly gauge: Gauge
  readonly limits: LimitSet | null
  /** Degrees between plunger and movement. */
  readonly tipAngle: number
  readonly history: Pooled | null
}

/**
 * A check kind: which points it has, how they combine, what its pieces do, and how the work goes.
 * Everything else (limits, verdict, choice of pieces, ledger, proof, record) is common and knows no kind.
 */
export interface CheckKind {
  readonly id: string
  readonly title: string
  readonly quantity: Quantity
  readonly ends: EndWords
  /** The side of the limits on which nothing can seize. */
  readonly cannotBind: 'above' | 'below'
  /** A single reading above this is asked about, nm. */
  readonly plausible: Nm
  /** Failure can hurt: the guarded rule is the default and the caution stands on top. */
  readonly safety: string | null
  readonly setupFields: readonly SetupField[]
  readonly defaultSetup: Setup
  points(setup: Setup): readonly MeasuringPoint[]
  places(setup: Setup): readonly PackPlace[]
  procedure(setup: Setup): readonly Step[]
  suspicions(setup: Setup): readonly Suspicion[]
  /** The results of one fitting; the first is the headline. */
  measure(input: MeasureInput): readonly MeasuredResult[]
}
