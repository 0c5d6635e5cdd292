import { nm } from '../../quantity/length'
import type { AimPoint } from '../../verdict/aim'
import type { Lot } from '../../pack/lot'
import type { CheckKind } from '../contract'
import type { FirstPack, PackPlace } from '../pack-place'
import type { CheckDocument } from '../document'
import type { FittingEvaluation } from './evaluated'
import { evaluatePlace, type PlaceEvaluation } from './evaluate-place'

/** A first step that shows the slope, while nobody knows it: 0.05 mm, 2 thou. Common practice. */
export const FIRST_STEP = 50_000

export interface Fittings {
  readonly trials: readonly FittingEvaluation[]
  readonly asFound: FittingEvaluation
}

/**
 * The first pack, by a length: the gap it has to fill, the side play it has to close. Null where none of them was measured.
 * @param takes  thickness the preload is worth that is aimed at, as an earlier service showed, nm; null: nobody knows
 */
export function firstPack(
  document: CheckDocument,
  kind: CheckKind,
  place: PackPlace,
  fittings: Fittings,
  lots: readonly Lot[],
  takes: number | null,
): (PlaceEvaluation & { readonly closes: boolean }) | null {
  for (const { aim, ...effect } of place.chosen.by === 'slope' ? place.chosen.first : []) {
    const filled: PackPlace = { ...place, effects: [effect], chosen: { by: 'window', pair: false } }
    const byGap = evaluatePlace(document, kind, filled, fittings, lots, firstAim(aim, takes))
    if (byGap.request !== null) return { ...byGap, closes: aim === 'closed' }
  }
  return null
}

function firstAim(aim: FirstPack['aim'], takes: number | null): AimPoint | null {
  if (aim === null) return null
  if (aim !== 'closed') return { target: aim, words: aim === 0 ? 'just filled' : 'what the preload takes left of the gap' }
  return {
    target: nm(-Math.round(takes ?? FIRST_STEP)),
    words: takes === null ? 'closed, and a first step of preload' : 'closed, and what the preload takes by the slope of an earlier service',
  }
}
