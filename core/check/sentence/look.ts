import type { PackChoice } from '../../choice/answer/chooser/choose'
import type { Proposal } from '../../choice/answer/chooser/proposal'
import type { Phase } from '../../method/step'
import type { LotMap } from '../../pack/lot'
import type { UnitSystem } from '../../quantity/length'
import type { Gauge } from '../../reading/gauge'
import { chosenFor } from '../pack-place'
import type { CheckDocument } from '../document'
import type { CheckEvaluation } from '../evaluate/evaluate-check'
import type { ResultEvaluation } from '../evaluate/evaluated'
import type { PlaceEvaluation } from '../evaluate/evaluate-place'

/** What of a check is looked at: a result, the place that moves it, and the pack in hand for it. */
export interface Look {
  readonly document: CheckDocument
  readonly evaluation: CheckEvaluation
  readonly phase: Phase
  readonly shown: ResultEvaluation
  readonly place: PlaceEvaluation | null
  readonly choice: PackChoice | null
  readonly proposal: Proposal | null
  /** the proposal was picked by hand: it is no advice */
  readonly picked: boolean
  readonly lots: LotMap
  /** gauges that could be read instead */
  readonly register: readonly Gauge[]
}

/** How it is told. */
export interface Voice {
  readonly system: UnitSystem
  /** a moment, as it is read */
  readonly time: (at: string) => string
}

/** The place that moves a result, or another result at its position. */
export function placeMoving(
  { places }: Pick<CheckEvaluation, 'places'>,
  { id, position }: Pick<ResultEvaluation, 'id' | 'position'>,
): PlaceEvaluation | null {
  const beside = position === null ? undefined : places.find(({ result }) => result?.position === position)
  return places.find(candidate => chosenFor(candidate.place).result === id) ?? beside ?? places[0] ?? null
}
