import { median } from 'd3-array'
import { formatLength } from '../../quantity/format-length'
import { mm, nm, type LengthUnit, type Nm } from '../../quantity/length'
import { lowerFirst } from '../../quantity/first-letter'
import { ways } from '../../method/ways'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import type { MeasuringPoint } from '../contract'

/** Diameters of one part further apart than this are not of one part; depths and heights: nothing round is ever quite level. Own figures. */
const DIAMETERS = mm(0.4)
const DEPTHS = mm(0.5)
const GRADUATIONS = 3

/** How far a reading of a length may lie from the others of it, nm. @param graduation  of its gauge; null where that is not known */
export const apartLimit = ({ way, jaws }: Pick<MeasuringPoint, 'way' | 'jaws'>, graduation: number | null): Nm =>
  nm(
    Math.max(
      GRADUATIONS * (graduation ?? 0),
      ways[way].gauge === 'calipers' && jaws !== 'outside' && jaws !== 'inside' ? DEPTHS : DIAMETERS,
    ),
  )

interface Read {
  readonly point: MeasuringPoint
  readonly estimate: Estimate
  readonly graduation: number | null
}

/** Of one length read at several places: those that lie further from the others than they can. Of two nobody knows which. */
export function apartFindings(read: readonly Read[], unit: LengthUnit): Finding[] {
  const groups = new Map<string, Read[]>()
  for (const one of read)
    if (one.point.together !== undefined) groups.set(one.point.together, [...(groups.get(one.point.together) ?? []), one])
  return [...groups.values()].flatMap(group => {
    const values = group.map(({ estimate }) => estimate.value)
    const off = group.flatMap((one, i) => {
      // Of two each is as far from the other; of more the middle one is right.
      const from = group.length === 2 ? values[1 - i]! : median(values)!
      const far = Math.abs(one.estimate.value - from)
      return far > apartLimit(one.point, one.graduation) ? [{ ...one, far }] : []
    })
    if (off.length === 0) return []
    const show = (value: number) => formatLength(value, unit, { unit: true })
    const [first, second] = off
    const words =
      group.length === 2
        ? `${first!.point.label} and ${lowerFirst(second!.point.label)} lie ${show(first!.far)} apart: one of them is misread. Read both again.`
        : off.map(({ point, far }) => `${point.label}: ${show(far)} from the others.`).join(' ') +
          ' Read it again, and void what was misread.'
    return [{ gate: 'apart', level: 'warn', words } satisfies Finding]
  })
}
