import { formatLength, unitFor } from '../quantity/format-length'
import { systemOf } from '../quantity/figure'
import type { Lot } from '../pack/lot'
import { goesInto, type CheckDocument } from './document'
import type { PackPlace } from './pack-place'

/**
 * Washers of the drawer that are not offered for a place, and why: a hole that does not clear, a rim that reaches too far, or nobody knows.
 * @returns sentences without a full stop
 */
export function washersLeftOut(
  { family, entryUnit }: Pick<CheckDocument, 'family' | 'entryUnit'>,
  { washers, holds }: Pick<PackPlace, 'washers' | 'holds'>,
  lots: readonly Lot[],
): readonly string[] {
  if (!washers || (washers.over === null && washers.within === null)) return []
  const show = (length: number) => formatLength(length, unitFor(systemOf(entryUnit), 'size'), { unit: true })
  const { over, within } = washers
  return lots
    .filter(
      lot => lot.family === family && lot.shape !== 'sheet' && lot.onHand > 0 && !goesInto({ washers, ...(holds ? { holds } : {}) }, lot),
    )
    .map(({ nominal, inside, outside }) => {
      const why = [
        ...(over === null
          ? []
          : inside === undefined
            ? ['its hole is not known']
            : inside > over
              ? []
              : [`its hole of ${show(inside)} does not clear ${show(over)}`]),
        ...(within === null
          ? []
          : outside === undefined
            ? ['its rim is not known']
            : outside < within
              ? []
              : [`its rim of ${show(outside)} does not stay within ${show(within)}`]),
      ]
      return `${formatLength(nominal, entryUnit, { unit: true })}: ${why.join(', ')}`
    })
}
