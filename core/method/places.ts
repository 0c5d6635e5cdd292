import { formatLength } from '../quantity/format-length'
import type { LengthUnit } from '../quantity/length'
import type { Estimate } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import { meanOf } from '../reading/sum'

/** Which of several readings counts: a gap is as small as its smallest place, or its mean is asked for; over a turn the one end or the other. */
export type Counting = 'smallest' | 'largest' | 'mean'

/**
 * Readings at several places of one gap, as one figure.
 * @param ranges  middle of each, in the order they were read, nm
 * @param step  two that differ by more than this are flagged, nm
 */
export function ofPlaces(
  readings: readonly { readonly id: string; readonly estimate: Estimate }[],
  counting: Counting,
  step: number,
  unit: LengthUnit,
): { readonly estimate: Estimate | null; readonly findings: Finding[]; readonly counted: string | null } {
  const sorted = [...readings].sort((a, b) => a.estimate.value - b.estimate.value)
  const [smallest, largest] = [sorted[0], sorted.at(-1)]
  if (!smallest || !largest) return { estimate: null, findings: [], counted: null }
  const spread = largest.estimate.value - smallest.estimate.value
  const show = (value: number) => formatLength(value, unit, { unit: true, trim: true })
  const estimate =
    counting === 'mean' && readings.length > 1
      ? meanOf(readings.map((reading, i) => ({ name: `Place ${i + 1}`, estimate: reading.estimate })))
      : { ...smallest.estimate, n: readings.length }
  const findings: Finding[] =
    spread > step
      ? [
          {
            gate: 'spread',
            level: 'warn',
            words: `The places differ by ${show(spread)}: ${counting === 'mean' ? 'their mean counts' : `the smallest counts, ${show(smallest.estimate.value)}`}. Find out why, or void what was a slip.`,
          },
        ]
      : []
  return { estimate, findings, counted: counting === 'mean' ? null : smallest.id }
}
