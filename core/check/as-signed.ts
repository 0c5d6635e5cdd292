import { lotMap, type Lot } from '../pack/lot'
import { everFitted, type CheckDocument, type SignedPiece } from './document'

/** Ids of the sizes a check names: what was ever fitted, what was made and out of what, what its rules ask for. */
export function sizesNamed(check: Pick<CheckDocument, 'trials' | 'laps' | 'packRules'>): Set<string> {
  const { required } = check.packRules
  const lapped = check.laps.flatMap(({ lotId, end }) => [lotId, end?.lotId ?? lotId])
  return new Set([...everFitted(check), ...lapped, ...(required === undefined ? [] : [required])])
}

/** Pieces of a drawer by their ids, and in the order of those, as a signature given now would keep them. */
export const piecesNow = (ids: ReadonlySet<string>, drawer: readonly Lot[]): SignedPiece[] =>
  drawer
    .filter(({ id }) => ids.has(id))
    .map(({ onHand: _, reserved: __, cost: ___, leadDays: ____, tags: _____, ...piece }) => piece)
    .sort((a, b) => (a.id < b.id ? -1 : 1))

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
