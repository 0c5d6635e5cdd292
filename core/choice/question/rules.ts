import type { Nm } from '../../quantity/length'
import type { Shape } from '../../pack/lot'

/** What stands right after the aim: trouble, unless a shop moved something up. */
export type MeritOrder = 'trouble' | 'pieces' | 'changes' | 'cost'

/** What a check, or the shop, asks of a pack beyond its total. */
export interface PackRules {
  /** Fewest and most pieces; 0 and 8 unless said. */
  readonly fewest?: number
  readonly most?: number
  /** nm */
  readonly largestStack?: Nm
  /** Lot of which one piece must be in the pack. */
  readonly required?: string
  /** Exactly one piece of this shape must be in the pack. */
  readonly one?: Shape
  /** Nothing may be added to what is fitted. */
  readonly onlyRemove?: boolean
  /** Unmeasured pieces may stay where they are, but none is put in. */
  readonly noUnmeasured?: boolean
  readonly order?: MeritOrder
}

/** Pieces in a pack at most, where nobody said otherwise; the most that can be said is in the schema of the worksheet. */
export const MOST_PIECES = 8
