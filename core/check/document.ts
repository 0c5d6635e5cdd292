import type { LengthUnit, Nm } from '../quantity/length'
import type { Pooled } from '../reading/estimate'
import type { Gauge } from '../reading/gauge'
import type { Repeat } from '../reading/repeat'
import type { Aim } from '../verdict/aim'
import type { DecisionRule } from '../verdict/decide'
import type { LimitSet } from '../verdict/limits'
import type { PackRules } from '../pack/chooser/prepare'
import type { Lot, Pack } from '../pack/lot'
import type { Setup } from './contract'

/** A repeat, and the point of the check kind it was taken at. */
export interface PointReading extends Repeat { readonly point: string }

/** One fitting: a pack in place, and what was measured with it. The first is what was found. */
export interface Trial {
  readonly id: string
  readonly at: string
  /** null: in the machine, but not known */
  readonly pack: Pack | null
  /** What was predicted when it was chosen, nm; `uOwn` is without what the gauge gives both measurements. */
  readonly predicted: { readonly play: number, readonly u: number, readonly uOwn: number } | null
  readonly readings: readonly PointReading[]
}

/** A step ticked; set-up steps belong to the check (trial null), the others to a fitting. */
export interface Tick { readonly step: string, readonly trial: string | null }

export interface SignOff {
  readonly at: string
  readonly by: string
  /** Accepted outside limits, or in spite of a residual: why. */
  readonly reason: string | null
  readonly core: string
}

/** Everything an evaluation rests on, and what a worksheet holds of a check. Lengths in nm. */
export interface CheckDocument {
  readonly id: string
  readonly kind: string
  readonly title: string
  readonly entryUnit: LengthUnit
  readonly setup: Setup
  readonly limits: { readonly book: LimitSet | null, readonly shop: LimitSet | null, /** the ones that judge */ readonly working: 'book' | 'shop' }
  readonly rule: DecisionRule
  readonly aim: Aim
  readonly packRules: PackRules
  /** Family of the drawer the pieces come from. */
  readonly family: string
  /** What taking apart and putting back does to a play, standard uncertainty, nm. */
  readonly uRefit: Nm
  /** Degrees between plunger and movement. */
  readonly tipAngle: number
  readonly gauge: Gauge
  readonly history: Pooled | null
  readonly trials: readonly Trial[]
  readonly ticks: readonly Tick[]
  readonly stale: string | null
  readonly signOff: SignOff | null
}

/** A quarter of a thou: what refitting one pack does to a play until the shop's own proofs say better. Common practice. */
export const DEFAULT_REFIT = 6_350

export const workingLimits = (document: Pick<CheckDocument, 'limits'>): LimitSet | null => document.limits[document.limits.working] ?? document.limits.book ?? document.limits.shop

/** The pieces of the drawer this check may choose from: its family, and whatever was ever fitted. */
export function drawerFor(document: Pick<CheckDocument, 'family' | 'trials'>, lots: readonly Lot[]): Lot[] {
  const fitted = new Set(document.trials.flatMap(trial => trial.pack?.map(piece => piece.lotId) ?? []))
  return lots.filter(lot => lot.family === document.family || fitted.has(lot.id))
}
