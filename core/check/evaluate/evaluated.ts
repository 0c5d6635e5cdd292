import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import type { Verdict, VerdictState } from '../../verdict/decide'
import type { LimitSet } from '../../verdict/limits'
import type { Residual } from '../../choice/grounds/residual'
import type { Answers, AtMost, ResultKind } from '../contract'
import type { Predicted } from '../document'
import type { ByBoth } from './by-both'
import type { JudgingLimits } from './judging-limits'

/** A point that is not read in a fitting, and why. */
export interface LeftOut {
  readonly point: string
  readonly label: string
  readonly reason: string
}
/** How many of the points a figure rests on are read; those left out on purpose are not asked for. */
export interface Progress {
  readonly read: number
  readonly of: number
  readonly leftOut: readonly LeftOut[]
}

/** One figure of one fitting, judged. */
export interface ResultEvaluation {
  /** `play`, `clearance@3` */
  readonly id: string
  readonly kind: ResultKind
  readonly position: string | null
  /** `End play`, `Main 3` */
  readonly label: string
  readonly formula: string
  readonly points: readonly string[]
  /** also of a series that is not valid: see `valid` */
  readonly estimate: Estimate | null
  /** of the old parts, where they were read; null: the first fitting tells it */
  readonly was: Estimate | null
  readonly findings: readonly Finding[]
  readonly valid: boolean
  /** from sizes: it can come out below zero, whatever its kind */
  readonly reckoned: boolean
  readonly limits: JudgingLimits
  readonly verdict: Readonly<Record<'book' | 'shop' | 'demand' | 'working', Verdict | null>>
  /** what asks for a reason before it is signed, though it is in limits */
  readonly asksReason: string | null
  /** a named fault that speaks against it, in limits or not: what asks for a reason, a proof that did not move as it should */
  readonly doubt: string | null
  /** what was found by hand and beats arithmetic */
  readonly overrule: string | null
  /** points at which a hand said before what the figure contradicts: asked again */
  readonly again: readonly string[]
  /** no figure, but no more than this */
  readonly atMost: AtMost | null
  /** why its readings no longer hold */
  readonly stale: string | null
  /** with everything that can hold an answer back: gates, pending steps, replaced parts */
  readonly state: VerdictState
  readonly predicted: Predicted | null
  readonly residual: Residual | null
  /** what is too close to call by its reading, judged with the prediction it agrees with; null: the reading alone judges */
  readonly both: ByBoth | null
  /** how many of the points it rests on are read */
  readonly progress: Progress
  /** by rule of thumb, where nobody has limits: offered, never judged by */
  readonly thumb: LimitSet | null
}

/** One fitting, judged. */
export interface FittingEvaluation {
  readonly id: string
  readonly results: readonly ResultEvaluation[]
  /** the result the eye should meet first: the worst that counts */
  readonly headline: ResultEvaluation
  readonly state: VerdictState
  /** what each point said */
  readonly answers: Answers
}
