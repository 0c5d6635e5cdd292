import { thou } from '../../quantity/length'
import { formatLength } from '../../quantity/format-length'
import { driftLine, zeroDrift } from '../../method/bore-gauge/bore'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { sumOf, type Term } from '../../reading/sum'
import { stated } from '../../reading/estimate'
import type { Answers, CombinedResult, MeasuringPoint } from '../contract'
import { defineKind } from '../define-kind'
import { WHEEL_SAFETY, inspectionFindings, inspectionPoints } from '../hub'
import { formResult, playFrom, playResult, sizeResult } from '../results'
import { choice, type SetupOf } from '../setup'
import type { Work } from '../work'
import { COMPARATOR_CONDITIONS, COMPARATOR_REMINDERS, comparatorSteps } from './procedure'

export const FIELDS = {
  sense: choice({
    label: 'As the length grows, the reading',
    options: [
      { value: 'falls', label: 'falls', hint: 'longer means a smaller figure' },
      { value: 'rises', label: 'rises', hint: 'longer means a larger figure' },
    ],
    initial: 'falls',
  }),
  spacer: choice({
    label: 'Spacer',
    options: [
      { value: 'adjustable', label: 'Adjustable, with a set screw' },
      { value: 'fixed', label: 'Fixed: chosen by size, or ground' },
    ],
    initial: 'adjustable',
  }),
}
export type ComparatorSetup = SetupOf<typeof FIELDS>

const PAIR = ['hub', 'inner-bearing', 'outer-bearing']
const SET = [...PAIR, 'spacer']

/**
 * The spacer of a hub between two taper bearings, measured under a comparator against the seat distance of the same hub and bearings:
 * a longer spacer gives less preload, or more play (c +1). What counts is the shortest distance of the turn, rollers fully home.
 * Hub, bearings and spacer stay together afterwards as one set.
 */
export const comparatorHub = defineKind({
  id: 'comparator-hub',
  title: 'Hub spacer by comparator',
  about: 'A spacer between taper bearings, set longer than the shortest seat distance by a given amount.',
  plausible: thou(1000),
  safety: WHEEL_SAFETY,
  closing: 'Before the hub goes back',
  fields: FIELDS,
  parts: () => [
    { id: 'hub', label: 'Hub' },
    { id: 'inner-bearing', label: 'Inner bearing, cup and cone' },
    { id: 'outer-bearing', label: 'Outer bearing, cup and cone' },
    { id: 'spacer', label: 'Hub spacer' },
  ],
  matched: () => SET,
  results: setup => [
    sizeResult('longer', 'Longer than the shortest distance', { ...LONGER, main: true }),
    ...(setup.spacer === 'adjustable' ? [sizeResult('locked', 'Longer, once locked', { ...LONGER, main: true, judgedBy: 'longer' })] : []),
    sizeResult('longer-least', 'Longer, where the distance is longest', { ...LONGER, told: true }),
    formResult('spread', 'Spread over a turn'),
    { ...playResult('Dry trial'), id: 'trial', main: false, overZero: false, told: true },
    sizeResult('shortening', 'Shortening under the nut', { ...LONGER, told: true }),
  ],
  points,
  places: setup =>
    setup.spacer === 'fixed'
      ? [
          {
            id: 'spacer',
            label: 'Hub spacer',
            result: 'longer',
            response: { perPiece: 1, pair: false },
            between: ['inner cone', 'outer cone'],
            capacity: { fewest: 1, most: 1 },
            lappable: true,
          },
        ]
      : [],
  procedure: comparatorSteps,
  conditions: () => COMPARATOR_CONDITIONS,
  reminders: () => COMPARATOR_REMINDERS,
  suspicions: () => [
    { effect: 'less-play', words: 'A roller had climbed: the distance was not at its shortest.' },
    { effect: 'more-play', words: 'The spacer lay the other way up, or on dirt.' },
  ],
  combine,
  works,
})

const LONGER = { scale: 'play', cannotBind: 'above' } as const

function points(setup: ComparatorSetup): MeasuringPoint[] {
  const plain = { at: {}, moves: [], rests: PAIR } as const
  // The shortest distance reads most where the reading falls with length, and least where it rises.
  const counting = setup.sense === 'falls' ? 'largest' : 'smallest'
  const fixed = setup.spacer === 'fixed'
  const spacer = { at: {}, way: 'comparator-now', rests: ['spacer'] } as const
  return [
    ...inspectionPoints(PAIR, 'longer'),
    { ...plain, id: 'distance', label: 'Seat distance over a turn', way: 'comparator', result: 'longer', counting },
    { ...plain, id: 'zero-base', label: 'Base alone again, at zero', way: 'comparator-now', result: 'spread' },
    { ...plain, id: 'zero-head', label: 'Head on the upturned bearing again, at zero', way: 'comparator-now', result: 'spread' },
    { ...spacer, id: 'spacer', label: 'Spacer, set screw towards you', result: 'longer', moves: fixed ? ['spacer'] : [] },
    {
      at: {},
      id: 'end-play',
      label: 'Dry trial, nut fully tight: end play',
      way: 'dial',
      result: 'trial',
      moves: fixed ? ['spacer'] : [],
      rests: SET,
    },
    {
      at: {},
      id: 'spin',
      label: 'Dry trial: how it spins',
      way: 'word',
      result: 'trial',
      moves: fixed ? ['spacer'] : [],
      rests: SET,
      words: [
        { value: 'free', label: 'free' },
        { value: 'stiff', label: 'stiff' },
      ],
    },
    ...(fixed ? [] : [{ ...spacer, id: 'locked', label: 'Spacer once more, set screw locked', result: 'locked', moves: [] }]),
  ]
}

/** How much longer a spacer that reads `spacer` is than a distance that reads `distance`: by the sense of the set-up. */
function longerBy(sense: ComparatorSetup['sense'], distance: Estimate, spacer: Estimate, drift: readonly Term[]): Estimate {
  const sign = sense === 'falls' ? 1 : -1
  return sumOf([{ name: 'distance', factor: sign, estimate: distance }, { name: 'spacer', factor: -sign, estimate: spacer }, ...drift])
}

function combine(setup: ComparatorSetup, answers: Answers): CombinedResult[] {
  const gauge = answers.gauge('dial-indicator')
  const { turn } = answers.of('distance')
  const falls = setup.sense === 'falls'
  const shortest = (falls ? turn?.most : turn?.least) ?? null
  const longest = (falls ? turn?.least : turn?.most) ?? null
  const zeros = ['zero-base', 'zero-head'].map(id => answers.of(id))
  const drifted = gauge ? zeros.flatMap(zero => zeroDrift(zero, gauge, 'On its zero again')) : []
  const unchecked: Finding[] =
    turn && zeros.some(({ estimate }) => !estimate)
      ? [{ gate: 'zero-drift', level: 'warn', words: 'Read both zeros again after the turn: a base that moved makes all of it wrong.' }]
      : []
  const drift = zeros.flatMap((zero, i): Term[] => {
    const line = driftLine(zero, `zero ${i}`)
    return line ? [{ name: 'Zero', factor: 1, estimate: stated(0, [line]) }] : []
  })
  const measured = answers.of('spacer').estimate !== null
  const findings = [...inspectionFindings(answers, measured), ...drifted, ...unchecked]
  const longer = (distance: Estimate | null, point: string) => {
    const spacer = answers.of(point).estimate
    return distance && spacer ? longerBy(setup.sense, distance, spacer, drift) : null
  }
  const formula = falls
    ? 'reading of the shortest distance − reading of the spacer'
    : 'reading of the spacer − reading of the shortest distance'
  const used = ['distance', 'zero-base', 'zero-head', 'spacer', ...INSPECTED]
  const set = longer(shortest, 'spacer')
  const result = (
    kind: string,
    estimate: Estimate | null,
    from: readonly string[],
    how: string,
    more: readonly Finding[] = [],
  ): CombinedResult => ({
    kind,
    position: null,
    estimate,
    points: from,
    formula: how,
    findings: more,
  })
  const trial = trialOf(answers, set)
  const { findings: _, ...verdict } = trial
  return [
    { ...result('longer', set, used, formula, [...findings, ...(trial.findings ?? [])]), ...verdict },
    ...(setup.spacer === 'adjustable'
      ? [
          {
            ...result('locked', longer(shortest, 'locked'), ['distance', 'locked', ...used], formula, [
              ...findings,
              ...lockedFindings(answers),
            ]),
            ...verdict,
          },
        ]
      : []),
    result('longer-least', longer(longest, 'spacer'), used, 'the same against the longest distance of the turn'),
    result(
      'spread',
      turn
        ? sumOf([
            { name: 'most', factor: 1, estimate: turn.most },
            { name: 'least', factor: -1, estimate: turn.least },
          ])
        : null,
      ['distance'],
      'most − least',
    ),
    { ...playFrom('end-play', answers, 'mean of far − (start + back)/2'), kind: 'trial' },
    result('shortening', shorteningOf(answers, set), ['end-play', ...used], 'longer − end play of the dry trial'),
  ]
}
const INSPECTED = ['tracks', 'rust', 'water']

/** The trial by word: no play and free is right, no play and stiff too much preload, some play too little. Words from before the spacer was set as it is say nothing. */
function trialOf(answers: Answers, set: Estimate | null): Pick<CombinedResult, 'overrule' | 'asksReason' | 'findings'> {
  const play = answers.of('end-play')
  const spin = answers.of('spin').word
  const none = play.atMost !== undefined || (play.estimate !== null && play.estimate.value - play.estimate.U <= 0)
  const tried = play.atMost !== undefined || play.estimate !== null
  const before = ['end-play', 'spin'].some(point => !answers.after(point, 'spacer'))
  const say = (level: Finding['level'], words: string) => ({ findings: [{ gate: 'hand', level, words } satisfies Finding] })
  if (!set) return { findings: [] }
  const untried = { asksReason: 'it was not tried dry as it is set' }
  if (!tried || spin === null)
    return { ...say('note', 'Try it dry, set screw loose, the nut fully tight: end play, then how it spins.'), ...untried }
  if (before) return { ...say('warn', 'The spacer was set anew since the dry trial: try it again, play and spin.'), ...untried }
  if (none && spin === 'stiff')
    return {
      ...say('warn', 'No play and stiff: too much preload.'),
      overrule: { state: 'below', words: 'no play, and it spins stiffly: too much preload' },
    }
  if (!none)
    return {
      ...say('warn', 'End play with the nut tight: too little preload.'),
      overrule: { state: 'above', words: 'there is end play with the nut tight: too little preload' },
    }
  return say('note', 'No play and it spins free: right. No play is “zero or less”, not a figure.')
}

/** Locking can move a spacer by a thou or two. */
function lockedFindings(answers: Answers): Finding[] {
  const [set, locked] = [answers.of('spacer').estimate, answers.of('locked').estimate]
  if (!set || !locked) return []
  if (!answers.after('locked', 'spacer'))
    return [{ gate: 'hand', level: 'fail', words: 'The spacer was set anew since it was locked: lock it and measure it once more.' }]
  const moved = locked.value - set.value
  return moved === 0
    ? []
    : [
        {
          gate: 'hand',
          level: 'note',
          words: `Locking moved its reading by ${formatLength(moved, answers.unit, { unit: true, sign: true })}.`,
        },
      ]
}

/** What the nut shortens the spacer by, where the trial gave a play: longer − play. Without one it is at least what it is longer by. */
function shorteningOf(answers: Answers, set: Estimate | null): Estimate | null {
  const play = answers.of('end-play').estimate
  return set && play
    ? sumOf([
        { name: 'longer', factor: 1, estimate: set },
        { name: 'end play', factor: -1, estimate: play },
      ])
    : null
}

/** What the spacer has to read: that of the shortest distance, less or more what it is to be longer by. */
function works(setup: ComparatorSetup, answers: Answers): Work[] {
  const { turn } = answers.of('distance')
  if (setup.spacer !== 'adjustable' || !turn) return []
  const falls = setup.sense === 'falls'
  return [
    {
      id: 'spacer',
      label: 'Set the spacer to read',
      does: 'adjustment',
      position: null,
      scale: 'play',
      effects: [{ result: 'longer', position: null, zero: falls ? turn.most : turn.least, slope: falls ? -1 : 1 }],
      now: answers.of('spacer').estimate,
      way: falls ? { up: 'Set it shorter by', down: 'Set it longer by' } : { up: 'Set it longer by', down: 'Set it shorter by' },
      note: `Longer is a ${falls ? 'smaller figure ↓' : 'larger figure ↑'}, less preload; shorter is more. Not from the mean of the turn: that makes it longer than meant by about half the spread.`,
      points: ['distance'],
      formula: `reading of the shortest distance ${falls ? '−' : '+'} what it is to be longer by`,
    },
  ]
}
