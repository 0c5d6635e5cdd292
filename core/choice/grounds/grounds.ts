import { combine, type Combined } from '../../reading/budget'
import type { Pack } from '../../pack/lot'

/** A play as it was measured: nm, with what a prediction from it must carry. */
export interface Measured {
  readonly play: number
  readonly u: number
  /** effective degrees of freedom, not truncated */
  readonly nu: number
}

/** What one result is reckoned from, as everything stands now. */
export interface Grounds {
  /** what the present fitting measured: the fitted pack leaves that, and nothing else; null: it gave no figure */
  readonly measured: Measured | null
  /** what other packs are reckoned from, as if the fitted pack left it: the present reading, or fittings that agree */
  readonly from: Measured
  /** packs measured before: put back, they leave what they left */
  readonly before: readonly { readonly pack: Pack; readonly measured: Measured }[]
  /** What taking apart, re-seating and re-torquing does, standard uncertainty, nm. */
  readonly uRefit: number
  /** `from` is only the most it can be: nothing that can be told from zero was measured */
  readonly bound: boolean
  /** An earlier fitting showed that less than this play, reckoned from here, is no play at all. nm; null: none did */
  readonly atLeast: number | null
  /** what else could be right while fittings do not agree, each as if the fitted pack left it; empty: nothing is in doubt */
  readonly doubts: readonly Measured[]
  /** the present reading is itself the odd one: nothing rests on it */
  readonly oddNow: boolean
}

/** How well the play after any refit is known at best, whatever pieces are changed: one figure a check. */
export const refitUncertainty = ({ from, uRefit }: Pick<Grounds, 'from' | 'uRefit'>): Combined =>
  combine([
    { u: from.u, nu: from.nu },
    { u: uRefit, nu: Infinity },
  ])
