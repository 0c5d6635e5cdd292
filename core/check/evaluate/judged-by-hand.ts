import { formatLength } from '../../quantity/format-length'
import type { LengthUnit } from '../../quantity/length'
import { endsOf } from '../../verdict/limits'
import type { Response } from '../../pack/response'
import type { ResultEvaluation } from './evaluated'

/** What may be changed of the pack so that the figure lands in limits wherever in a judged range it lies; nm. Low above high: no pack is sure to. */
export interface SureChange {
  readonly low: number
  readonly high: number
}

/** @returns null where it was not judged by hand, or nothing limits it on both sides */
export function sureChange({ estimate, findings, limits }: ResultEvaluation, { perPiece }: Response): SureChange | null {
  const ends = endsOf(limits.working)
  if (!estimate || !ends || !Number.isFinite(ends.lower + ends.upper) || !findings.some(({ gate }) => gate === 'feel')) return null
  const half = Math.sqrt(3) * estimate.u
  const [least, most] = [estimate.value - half, estimate.value + half]
  return perPiece < 0 ? { low: most - ends.upper, high: least - ends.lower } : { low: ends.lower - least, high: ends.upper - most }
}

/** The same in a sentence; null where every pack near the aim is sure, or nothing is known. */
export function sureWords(result: ResultEvaluation, response: Response, unit: LengthUnit): string | null {
  const change = sureChange(result, response)
  if (!change) return null
  const show = (value: number) => formatLength(value, unit, { trim: true })
  const more = (value: number) => `${show(Math.abs(value))} ${value < 0 ? 'less' : 'more'}`
  return change.low > change.high
    ? `Judged by hand no pack is sure to land: it would take at least ${more(change.low)} and at most ${more(change.high)} at once. Put a dial on it, or take the middle and expect another fitting.`
    : `Judged by hand: from ${more(change.low)} to ${more(change.high)} in it is sure to land.`
}
