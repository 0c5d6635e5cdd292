import type { Lean } from '../../../verdict/aim'
import type { LimitSet } from '../../../verdict/limits'
import type { Moved } from '../../question/question'
import type { Measured } from '../../grounds/grounds'
import type { MeritKey } from './merit'

export interface SearchQuestion {
  /** what changed packs are reckoned from */
  readonly from: Measured
  readonly uRefit: number
  /** nm */
  readonly aim: number
  /** nm: the aim keeps a pack's own U from this end of the limits */
  readonly lean?: Lean
  /** width of the distance bins, nm */
  readonly width: number
  /** null: every pack is of one class */
  readonly limits: LimitSet | null
  /** what the pieces move besides */
  readonly also?: readonly Moved[]
  /** what else could be right of the result chosen for */
  readonly doubts?: readonly Measured[]
  /** chances that part the classes; those of the order of merit unless said */
  readonly levels?: readonly number[]
  /** Only packs that leave a play in this closed range (nm). */
  readonly allowed?: { readonly low: number; readonly high: number }
  readonly wanted: number
  /** Search effort before the answer is called unproven. */
  readonly cap?: number
}

export interface Found {
  readonly key: MeritKey
  /** picks per lot */
  readonly picks: readonly number[]
  readonly play: number
}
