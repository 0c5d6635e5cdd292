import { thickness, type LotMap } from '../pack/lot'
import { formatLength } from '../quantity/format-length'
import type { LengthUnit } from '../quantity/length'
import { refused, type Happening, type RefusedCommand } from './happening'

/** What is not there, or not free. */
export function shortOf(moves: ReadonlyMap<string, number>, all: LotMap, claim: boolean, unit: LengthUnit): RefusedCommand | null {
  for (const [lotId, change] of moves) {
    const lot = all.get(lotId)!
    const size = formatLength(thickness(lot), unit, { unit: true })
    if (lot.onHand + change < 0)
      return refused(
        'conflict',
        `There ${lot.onHand === 1 ? 'is' : 'are'} only ${lot.onHand} of ${size} in the drawer; this needs ${-change}.`,
        'packs',
      )
    const free = Math.max(0, lot.onHand - lot.reserved)
    if (change < 0 && free + change < 0 && !claim)
      return refused(
        'conflict',
        `Only ${free} of ${size} ${free === 1 ? 'is' : 'are'} free; the rest is kept aside or promised to another check. It can be taken from there on purpose.`,
        'claim',
      )
  }
  return null
}

/** What was taken beyond what is free, from promises to other checks. */
export const claims = (moves: ReadonlyMap<string, number>, all: LotMap): Happening[] =>
  [...moves].flatMap(([lotId, change]): Happening[] => {
    const lot = all.get(lotId)!
    const beyond = -change - Math.max(0, lot.onHand - lot.reserved)
    return change < 0 && beyond > 0 ? [{ type: 'claimed', lotId, count: beyond }] : []
  })
