import { mergedPack, packTotal, type LotMap, type Pack } from '../../pack/lot'
import { chosenFor, type PackPlace } from '../pack-place'
import { piecesIn, type CheckDocument, type Trial } from '../document'

/** A pack with all that stands beside it and moves the same figure: shims, and a packing in the joint for a trial. */
export interface StackBeside {
  /** what stands beside it, as thickness of the place. @param packings  those in for a trial count too */
  beside(trial: Trial, packings: boolean): number
  /** of a fitting with this pack, all told, nm */
  thickness(trialId: string, pack: Pack): number
  /** every piece of it, in the fitting */
  whole(trialId: string, pack: Pack): Pack
}

export function stackBeside(
  { trials }: Pick<CheckDocument, 'trials'>,
  place: PackPlace,
  others: readonly PackPlace[],
  lots: LotMap,
): StackBeside {
  const trialOf = (id: string) => trials.find(trial => trial.id === id)!
  const { perPiece } = chosenFor(place)
  const beside = (trial: Trial, packings: boolean) =>
    others
      .filter(({ holds }) => packings || holds === undefined)
      .reduce((sum, other) => sum + (chosenFor(other).perPiece / perPiece) * packTotal(piecesIn(trial, other.id), lots), 0)
  return {
    beside,
    thickness: (trialId, pack) => packTotal(pack, lots) + beside(trialOf(trialId), true),
    whole: (trialId, pack) => mergedPack([...pack, ...others.flatMap(({ id }) => piecesIn(trialOf(trialId), id))]),
  }
}

/** Pieces that every pack holds: whatever they really measure, they are no part of a slope. */
export function common(packs: readonly Pack[]): Pack {
  const [first, ...others] = packs
  return (first ?? []).flatMap(({ lotId, count }) => {
    const least = Math.min(count, ...others.map(pack => pack.find(piece => piece.lotId === lotId)?.count ?? 0))
    return least > 0 ? [{ lotId, count: least }] : []
  })
}
