import type { Finding } from '../../reading/gates'
import type { Condition } from '../conditions'
import type { Step } from '../../method/step'
import type { Answers, CombinedResult, MeasuringPoint, ResultKind } from '../contract'
import { warmthResult } from './results'
import { choice } from '../setup'
import type { Spoken } from '../spoken'

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
  later,
})

/** Taper bearings come apart, sealed balls do not. */
type Bearing = 'taper' | 'ball'
const same = (label: string) => ({ taper: label, ball: label })
/** What is looked at before a bearing is measured, one word each. In doubt counts as worn. */
const LOOKED_AT = [
  { id: 'tracks', label: { taper: 'Tracks and rollers', ball: 'Turned by hand: races and balls' }, good: 'good', bad: 'worn' },
  { id: 'rust', label: same('Rust'), good: 'none', bad: 'some' },
  { id: 'water', label: { taper: 'Water in the grease', ball: 'Water behind the seals' }, good: 'none', bad: 'some' },
] as const

/** @param rests  parts that are inspected: replaced, they are inspected anew */
export const inspectionPoints = (rests: readonly string[], result: string, bearing: Bearing = 'taper'): MeasuringPoint[] =>
  LOOKED_AT.map(({ id, label, good, bad }) => ({
    id,
    label: label[bearing],
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

/** In one line they are taken as good, and said to be. */
export const TAKEN_AS_GOOD: NonNullable<Spoken['taken']> = {
  words: Object.fromEntries(LOOKED_AT.map(({ id }) => [id, 'good'])),
  as: 'bearings inspected, and good',
}

/**
 * What the words come to: a bearing that is worn, or in doubt, is not measured but replaced, cup and cone together and on both sides
 * (common practice). Nothing is said before a figure is there.
 */
export function inspectionFindings(answers: Answers, measured: boolean, bearing: Bearing = 'taper'): Finding[] {
  const said = LOOKED_AT.map(point => ({ ...point, word: answers.stale(point.id) === null ? answers.of(point.id).word : null }))
  const bad = said.filter(({ word }) => word === 'doubt' || word === 'worn')
  if (bad.length > 0)
    return [
      {
        gate: 'hand',
        level: 'fail',
        words: `${bad.map(({ label }) => label[bearing]).join(', ')}: in doubt is worn. Replace ${bearing === 'taper' ? 'cup and cone together, both sides' : 'both bearings'}, note it under parts, then measure.`,
      },
    ]
  const open = said.filter(({ word }) => word === null)
  return measured && open.length > 0
    ? [
        {
          gate: 'hand',
          level: 'fail',
          words: `Inspect first, a word each: ${open.map(({ label }) => label[bearing].toLowerCase()).join(', ')}.`,
        },
      ]
    : []
}

/** A hub that binds tells itself on the road: how warm it is after a run, where somebody takes it. */
export const WARMTH = choice({
  label: 'Warmth after a run',
  hint: 'against a limit of the manual, or the hub of the other side',
  free: true,
  options: [
    { value: 'no', label: 'Not taken' },
    { value: 'yes', label: 'By contact thermometer' },
  ],
  initial: 'no',
})
interface Warmth {
  readonly warmth: 'no' | 'yes'
}
export const warmthResults = ({ warmth }: Warmth): ResultKind[] => (warmth === 'yes' ? [warmthResult('warmth', 'Hub after a run')] : [])
/** @param moves  places whose refitting has it run again @param rests  parts whose change does */
export const warmthPoints = ({ warmth }: Warmth, moves: readonly string[], rests: readonly string[]): MeasuringPoint[] =>
  warmth === 'yes'
    ? [{ id: 'warmth', label: 'Hub, after a run', at: {}, way: 'thermometer', result: 'warmth', moves, rests, optional: true }]
    : []
export const warmthOf = ({ warmth }: Warmth, answers: Answers): CombinedResult[] =>
  warmth === 'yes'
    ? [
        {
          kind: 'warmth',
          position: null,
          estimate: answers.of('warmth').estimate,
          points: ['warmth'],
          formula: 'as read last after the run',
        },
      ]
    : []
export const warmthSteps = ({ warmth }: Warmth): Step[] =>
  warmth === 'yes'
    ? [
        {
          id: 'run',
          phase: 'prove',
          text: 'A short run, coasted to a stop without the brake; then the hub’s warmth, and that of the other side',
          required: false,
          caution: 'A brake warms a hub too. Too hot to hold is too hot: do not ride on, take it apart.',
        },
      ]
    : []
