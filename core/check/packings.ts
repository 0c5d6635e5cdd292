import type { Pack } from '../pack/lot'
import { chosenFor, type PackPlace } from './pack-place'
import { piecesIn, type CheckDocument } from './document'
import { checkKind } from './registry'

/** Packings that are in for a trial, and come out when the pack beside them is changed. @param changed  places taken apart */
export function packingsOut(document: CheckDocument, changed: readonly string[]): { readonly place: PackPlace; readonly pack: Pack }[] {
  const places = checkKind(document.kind).places(document.setup)
  const results = places.filter(({ id }) => changed.includes(id)).map(place => chosenFor(place).result)
  return places.flatMap(place => {
    const pack = piecesIn(document.trials.at(-1)!, place.id)
    const comesOut = place.holds === 'packing' && results.includes(chosenFor(place).result) && !changed.includes(place.id)
    return comesOut && pack.length > 0 ? [{ place, pack }] : []
  })
}
