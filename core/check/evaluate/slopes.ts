import type { Lot } from '../../pack/lot'
import { chosenFor } from '../pack-place'
import type { CheckDocument, KnownSlope } from '../document'
import { evaluateCheck } from './evaluate-check'

/**
 * What a check teaches the next of its kind of how its pieces move a torque: the slopes of its own fittings, and those it was taught
 * where they showed none.
 * @param from  where it was learned, for the sentence
 */
export function slopesOf(document: CheckDocument, lots: readonly Lot[], from: string): Readonly<Record<string, KnownSlope>> {
  const own = evaluateCheck(document, lots).places.flatMap(({ place, learned }): [string, KnownSlope][] => {
    const line = learned?.line
    // A packing beside it goes by the same fittings.
    return line && place.holds === undefined && line.from === undefined && Math.sign(line.slope) === chosenFor(place).perPiece
      ? [[chosenFor(place).result, { slope: line.slope, u: line.uSlope, from }]]
      : []
  })
  return { ...document.slopes, ...Object.fromEntries(own) }
}
