import type { Nm } from '../../quantity/length'
import { lotOf, packChange, packTotal, pieceCount, type LotMap, type Pack, type Shape } from '../../pack/lot'

/** What stands right after the aim: trouble, unless a shop moved something up. */
export type MeritOrder = 'trouble' | 'pieces' | 'changes' | 'cost'

/** What a check, or the shop, asks of a pack beyond its total. */
export interface PackRules {
  /** Fewest and most pieces; 0 and 8 unless said. */
  readonly fewest?: number
  readonly most?: number
  /** nm */
  readonly largestStack?: Nm
  /** Lot of which one piece must be in the pack. */
  readonly required?: string
  /** Exactly one piece of this shape must be in the pack. */
  readonly one?: Shape
  /** Nothing may be added to what is fitted. */
  readonly onlyRemove?: boolean
  /** Unmeasured pieces may stay where they are, but none is put in. */
  readonly noUnmeasured?: boolean
  readonly order?: MeritOrder
}

/** Pieces in a pack at most, where nobody said otherwise; the most that can be said is in the schema of the worksheet. */
export const MOST_PIECES = 8

/**
 * What speaks against a pack by the rules of its check, as a sentence; null: nothing. Whether its pieces are there is another question.
 * @param fitted  in the place now
 * @param whole  all that is in the place is listed; else no more is asked than that nothing wrong goes in
 */
export function ruleFault(
  { fewest = 0, most = MOST_PIECES, largestStack, required, one, onlyRemove, noUnmeasured }: PackRules,
  pack: Pack,
  fitted: Pack,
  lots: LotMap,
  whole = true,
): string | null {
  const count = pieceCount(pack)
  const put = packChange(fitted, pack).in
  if (onlyRemove && put.length > 0) return 'This check only lets pieces be taken out of what is fitted.'
  if (noUnmeasured && put.some(({ lotId }) => lotOf(lots, lotId).measured === null))
    return 'This check lets measured pieces in only: measure what goes in first.'
  if (count > most) return `This check allows ${most} ${most === 1 ? 'piece' : 'pieces'} in a pack at most, not ${count}.`
  if (largestStack !== undefined && packTotal(pack, lots) > largestStack) return 'This check allows no stack as thick as that.'
  if (!whole) return null
  if (count < fewest) return `This check asks for at least ${fewest} ${fewest === 1 ? 'piece' : 'pieces'} in a pack, not ${count}.`
  if (required !== undefined && !pack.some(({ lotId }) => lotId === required)) return 'The piece this check requires is not in it.'
  const ones = pack.reduce((sum, piece) => sum + (lotOf(lots, piece.lotId).shape === one ? piece.count : 0), 0)
  if (one !== undefined && ones !== 1) return `Exactly one ${one} piece belongs in it, not ${ones === 0 ? 'none' : ones}.`
  return null
}
