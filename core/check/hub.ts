import type { Finding } from '../reading/gates'
import type { Condition } from './conditions'
import type { Answers, MeasuringPoint } from './contract'

/** Stands on top of every check of a wheel and its bearings. */
export const WHEEL_SAFETY =
  'A wheel that comes loose or binds can kill. The maker’s manual comes first; where law, insurer or type approval asks for a licensed mechanic or an inspection, this check does not replace it.'

/** Bearings are measured clean and dry: grease holds rollers off their tracks. @param later  what is packed and greased afterwards */
export const dryBearings = (later: string): Condition => ({
  id: 'bearings',
  label: 'Bearings',
  states: [
    { value: 'dry', label: 'Clean and dry' },
    { value: 'greased', label: 'Greased' },
  ],
  stays: true,
  later,
})

/** What is looked at before a bearing is measured, one word each. In doubt counts as worn. */
const LOOKED_AT = [
  { id: 'tracks', label: 'Tracks and rollers', good: 'good', bad: 'worn' },
  { id: 'rust', label: 'Rust', good: 'none', bad: 'some' },
  { id: 'water', label: 'Water in the grease', good: 'none', bad: 'some' },
] as const

/** @param rests  parts that are inspected: replaced, they are inspected anew */
export const inspectionPoints = (rests: readonly string[], result: string): MeasuringPoint[] =>
  LOOKED_AT.map(({ id, label, good, bad }) => ({
    id,
    label,
    at: {},
    way: 'word',
    result,
    moves: [],
    rests,
    words: [
      { value: 'good', label: good },
      { value: 'doubt', label: 'in doubt' },
      { value: 'worn', label: bad },
    ],
  }))

/**
 * What the words come to: a bearing that is worn, or in doubt, is not measured but replaced, cup and cone together and on both sides
 * (common practice). Nothing is said before a figure is there.
 */
export function inspectionFindings(answers: Answers, measured: boolean): Finding[] {
  const said = LOOKED_AT.map(point => ({ ...point, word: answers.stale(point.id) === null ? answers.of(point.id).word : null }))
  const bad = said.filter(({ word }) => word === 'doubt' || word === 'worn')
  if (bad.length > 0)
    return [
      {
        gate: 'hand',
        level: 'fail',
        words: `${bad.map(({ label }) => label).join(', ')}: in doubt is worn. Replace cup and cone together, both sides, note it under parts, then measure.`,
      },
    ]
  const open = said.filter(({ word }) => word === null)
  return measured && open.length > 0
    ? [{ gate: 'hand', level: 'fail', words: `Inspect first, a word each: ${open.map(({ label }) => label.toLowerCase()).join(', ')}.` }]
    : []
}
