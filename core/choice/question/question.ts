import type { Nm, LengthUnit } from '../../quantity/length'
import type { Lean } from '../../verdict/aim'
import type { DecisionRule } from '../../verdict/decide'
import { endsOf, type LimitSet } from '../../verdict/limits'
import type { Lot, Pack } from '../../pack/lot'
import type { Response } from '../../pack/response'
import type { Grounds } from '../grounds/grounds'
import type { PackRules } from './rules'
import type { Told } from './told'

/** A result that is judged: what it is reckoned from, and its limits. */
export interface Judged extends Grounds {
  /** with its position: `clearance@3` */
  readonly id: string
  readonly label: string
  /** with zero as their floor where the figure is a play */
  readonly limits: LimitSet | null
  /** the side of its limits on which nothing can seize: above for a play */
  readonly cannotBind: 'above' | 'below'
}

/** It has limits, and nothing that can be told from zero was measured: no pack can be said to be in them. */
export const isUntold = ({ bound, limits }: Pick<Judged, 'bound' | 'limits'>): boolean => bound && endsOf(limits) !== null

/** A result that the pieces of a place move besides the one they are chosen for. */
export interface Moved extends Judged {
  /** its change per thickness */
  readonly perPiece: 1 | -1
}

/** What is asked of the drawer for one place: the result its pieces are chosen for, and what they move besides. */
export interface PackQuestion extends Judged {
  /** nm */
  readonly aim: Nm
  /** nm: the aim keeps a pack's own U from this end of the limits */
  readonly lean?: Lean
  readonly rule: DecisionRule
  /** The check's unit: for the sentences. */
  readonly unit: LengthUnit
  readonly also?: readonly Moved[]
  readonly wanted?: number
  /** what is chosen in thickness is told as another figure, or cannot be told yet */
  readonly told?: Told
}

/** A place as it is asked about. */
export interface Asked {
  /** pieces known to be in it now */
  readonly fitted: Pack
  readonly response: Response
  readonly question: PackQuestion
}

/** What the chooser needs, ready to hand to a worker. */
export interface ChoiceRequest extends Asked {
  readonly drawer: readonly Lot[]
  readonly rules: PackRules
}
