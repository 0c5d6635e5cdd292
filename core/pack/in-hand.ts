import type { Nm } from '../quantity/length'
import { pieceApart, type Lot, type Pack } from './lot'

/** A piece measured while it was in the hand: told apart from its like from now on. */
export interface PieceInHand {
  readonly lotId: string
  /** of the lot it becomes */
  readonly id: string
  readonly size: Nm
  /** where it will lie when it comes out again; empty: with its lot's mark */
  readonly mark: string
}

/** The pack with a piece of the lot named as the one it is. */
export function withPieceInHand(pack: Pack, { lotId, id }: PieceInHand): Pack {
  const at = pack.findIndex(piece => piece.lotId === lotId && piece.count > 0)
  if (at === -1) return pack
  const others = pack.map((piece, i) => (i === at ? { ...piece, count: piece.count - 1 } : piece)).filter(({ count }) => count > 0)
  return [...others, { lotId: id, count: 1 }]
}

/** The lots with those pieces as lots of their own. */
export const withLotsInHand = (lots: readonly Lot[], pieces: readonly PieceInHand[]): readonly Lot[] => [
  ...lots,
  ...pieces.flatMap(({ lotId, id, size, mark }) => {
    const lot = lots.find(candidate => candidate.id === lotId)
    return lot ? [{ ...pieceApart(lot, id, size, mark), onHand: 0 }] : []
  }),
]
