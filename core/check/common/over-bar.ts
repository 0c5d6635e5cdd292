import { formatLength } from '../../quantity/format-length'
import type { Nm } from '../../quantity/length'
import { stated, type Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { sumOf, type Term } from '../../reading/sum'
import type { Answers } from '../contract'
import { choice } from '../setup'

/** What lay between the gauge and the face a depth is meant from: asked of every depth. */
export const overBar = (label: string) =>
  choice({
    label,
    options: [
      { value: 'face', label: 'From the face itself' },
      { value: 'bar', label: 'Over the bar: its thickness is taken off' },
    ],
    initial: 'face',
  })
export type Over = 'face' | 'bar'

/** A depth with what lay above the face taken off; null while it, or the bar’s thickness, is not known. */
export function belowFace(read: Estimate | null, over: Over, bar: Nm | null): Estimate | null {
  if (!read || over === 'face') return read
  return bar === null ? null : sumOf([{ name: 'read', factor: 1, estimate: read }, barTerm(bar)])
}
const barTerm = (bar: Nm): Term => ({ name: 'bar', factor: -1, estimate: stated(bar, []) })

/** A depth was read over a bar, and nobody gave its thickness. */
export const barMissing = (overs: readonly Over[], bar: Nm | null): Finding[] =>
  overs.includes('bar') && bar === null
    ? [{ gate: 'hand', level: 'fail', words: 'A depth was read over a bar: give its thickness in Set up.' }]
    : []

/** Two figures apart by just the bar: one of them was read over it, and is said not to be, or the other way round. */
export function justTheBar(apart: number, U: number, bar: Nm | null, { unit }: Pick<Answers, 'unit'>): Finding[] {
  if (bar === null || bar === 0 || Math.abs(Math.abs(apart) - bar) > Math.max(U, bar / 20)) return []
  return [
    {
      gate: 'hand',
      level: 'warn',
      words: `That is just the thickness of the bar, ${formatLength(bar, unit, { unit: true })}: was it taken off once, and left in the other time?`,
    },
  ]
}
