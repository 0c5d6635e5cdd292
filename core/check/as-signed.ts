import { lotMap, type Lot } from '../pack/lot'
import type { CheckDocument, SignedPiece } from './document'

/** The pieces that were fitted, in the order of their ids, as a signature given now rests on them. @param lots  the drawer */
export function signedPieces({ trials }: Pick<CheckDocument, 'trials'>, lots: readonly Lot[]): SignedPiece[] {
  const fitted = new Set(trials.flatMap(({ packs }) => Object.values(packs).flatMap(pack => (pack ?? []).map(({ lotId }) => lotId))))
  return lots
    .filter(({ id }) => fitted.has(id))
    .map(({ onHand: _, reserved: __, cost: ___, leadDays: ____, tags: _____, ...piece }) => piece)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
}

/**
 * The drawer as a check has to see it: what it was signed with is as it was when it was signed, whatever was measured or marked since.
 * Open, or signed before pieces were kept: as it is now.
 */
export function asSigned({ signOff }: Pick<CheckDocument, 'signOff'>, lots: readonly Lot[]): readonly Lot[] {
  if (!signOff?.pieces) return lots
  const now = lotMap(lots)
  const then = new Set(signOff.pieces.map(({ id }) => id))
  const kept = signOff.pieces.map((piece): Lot => {
    const { onHand, reserved, cost, leadDays, tags } = now.get(piece.id) ?? NOT_HERE
    return { ...piece, onHand, reserved, cost, leadDays, tags }
  })
  return [...kept, ...lots.filter(({ id }) => !then.has(id))]
}
const NOT_HERE = { onHand: 0, reserved: 0, cost: null, leadDays: null, tags: [] }
