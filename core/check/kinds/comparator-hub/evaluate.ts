import { driftLine, zeroDrift } from '../../../method/bore-gauge/bore'
import { formatLength } from '../../../quantity/format-length'
import { stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { sumOf, type Term } from '../../../reading/sum'
import type { Answers, CombinedResult, SetMark } from '../../contract'
import { inspectionFindings, warmthOf } from '../../common/hub'
import { playFrom } from '../../common/results'
import type { Setup } from '../../setup'
import type { Target, Work } from '../../work'
import type { ComparatorSetup } from './setup'

/** How much longer a spacer that reads `spacer` is than a distance that reads `distance`: by the sense of the set-up. */
function longerBy(sense: ComparatorSetup['sense'], distance: Estimate, spacer: Estimate, drift: readonly Term[]): Estimate {
  const sign = sense === 'falls' ? 1 : -1
  return sumOf([{ name: 'distance', factor: sign, estimate: distance }, { name: 'spacer', factor: -sign, estimate: spacer }, ...drift])
}

/** The reading of the shortest distance of the turn, rollers fully home; null before it is read. */
function shortestOf({ sense }: ComparatorSetup, answers: Answers): Estimate | null {
  const { turn } = answers.of('distance')
  return (sense === 'falls' ? turn?.most : turn?.least) ?? null
}
const zerosOf = (answers: Answers) => ['zero-base', 'zero-head'].map(id => answers.of(id))

/** The spacer as it was read at a point, against a distance. What a zero was found to have drifted by is in it. */
function longerThan({ sense }: ComparatorSetup, answers: Answers, distance: Estimate | null, point: string): Estimate | null {
  const spacer = answers.of(point).estimate
  const drift = zerosOf(answers).flatMap((zero, i): Term[] => {
    const line = driftLine(zero, `zero ${i}`)
    return line ? [{ name: 'Zero', factor: 1, estimate: stated(0, [line]) }] : []
  })
  return distance && spacer ? longerBy(sense, distance, spacer, drift) : null
}

/** How much longer the spacer is, set and locked; what the dry trial says of it; what the nut takes off. */
export function combine(setup: ComparatorSetup, answers: Answers): CombinedResult[] {
  const gauge = answers.gauge('dial-indicator')
  const { turn } = answers.of('distance')
  const falls = setup.sense === 'falls'
  const shortest = shortestOf(setup, answers)
  const longest = (falls ? turn?.least : turn?.most) ?? null
  const zeros = zerosOf(answers)
  const drifted = gauge ? zeros.flatMap(zero => zeroDrift(zero, gauge, 'Back on its zero the dial')) : []
  const unchecked: Finding[] =
    turn && zeros.some(({ estimate }) => !estimate)
      ? [{ gate: 'zero-drift', level: 'warn', words: 'Read both zeros again after the turn: a base that moved makes all of it wrong.' }]
      : []
  const measured = answers.of('spacer').estimate !== null
  const findings = [...inspectionFindings(answers, measured), ...drifted, ...unchecked]
  const longer = (distance: Estimate | null, point: string) => longerThan(setup, answers, distance, point)
  const formula = falls
    ? 'reading of the shortest distance − reading of the spacer'
    : 'reading of the spacer − reading of the shortest distance'
  const used = ['distance', 'zero-base', 'zero-head', 'spacer', ...INSPECTED]
  const spacer = longer(shortest, 'spacer')
  const told = spacer && (tried(answers) ? agrees(setup, spacer, answers) : expected(setup, spacer, answers))
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
  const trial = trialOf(answers, spacer)
  const { findings: _, ...verdict } = trial
  return [
    { ...result('longer', spacer, used, formula, [...findings, ...(trial.findings ?? []), ...(told ? [told] : [])]), ...verdict },
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
    result('shortening', shorteningOf(answers, spacer), ['end-play', ...used], 'longer − end play of the dry trial'),
    ...warmthOf(setup, answers),
  ]
}
const INSPECTED = ['tracks', 'rust', 'water']

const tried = (answers: Answers): boolean => {
  const { atMost, estimate } = answers.of('end-play')
  return atMost !== undefined || estimate !== null
}

/** The trial by word: no play and free is right, which is said to be by word where no dial has been there; no play and stiff too much preload, some play too little. Words from before the spacer was set as it is say nothing. */
function trialOf(answers: Answers, spacer: Estimate | null): Pick<CombinedResult, 'overrule' | 'asksReason' | 'findings'> {
  const play = answers.of('end-play')
  const spin = answers.of('spin').word
  const none = play.atMost !== undefined || (play.estimate !== null && play.estimate.value - play.estimate.U <= 0)
  const before = answers.log('end-play').length > 0 && !tried(answers)
  const say = (level: Finding['level'], words: string) => ({ findings: [{ gate: 'hand', level, words } satisfies Finding] })
  if (!spacer) return { findings: [] }
  const untried = { asksReason: 'it was not tried dry as it is set' }
  if (before) return { ...say('warn', 'The spacer was set anew since the dry trial: try it again, play and spin.'), ...untried }
  if (!tried(answers) || spin === null)
    return { ...say('note', 'Try it dry, set screw loose, the nut fully tight: end play, then how it spins.'), ...untried }
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
  return play.estimate === null
    ? say('warn', 'No play and it spins free: right, by word. No dial has been there yet.')
    : say('note', 'No play and it spins free: right. No play is “zero or less”, not a figure.')
}

/** Locking can move a spacer by a thou or two. */
function lockedFindings(answers: Answers): Finding[] {
  const [spacer, locked] = [answers.of('spacer').estimate, answers.of('locked').estimate]
  if (!spacer || !locked) return []
  if (!answers.after('locked', 'spacer'))
    return [{ gate: 'hand', level: 'fail', words: 'The spacer was set anew since it was locked: lock it and measure it once more.' }]
  const moved = locked.value - spacer.value
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
function shorteningOf(answers: Answers, spacer: Estimate | null): Estimate | null {
  const play = answers.of('end-play').estimate
  return spacer && play
    ? sumOf([
        { name: 'longer', factor: 1, estimate: spacer },
        { name: 'end play', factor: -1, estimate: play },
      ])
    : null
}

/** What the dry trial says of the nut, for the next hub of this type: a figure where there was play, else no less than it was longer by. */
export function learnedOf(setup: ComparatorSetup, answers: Answers): Setup {
  const spacer = longerThan(setup, answers, shortestOf(setup, answers), 'spacer')
  if (!spacer) return {}
  const exact = shorteningOf(answers, spacer)
  const none = answers.of('end-play').atMost !== undefined
  if (exact && !none && exact.value > 0) return { lost: String(Math.round(exact.value)), lostIs: 'figure' }
  return none && spacer.value > 0 ? { lost: String(Math.round(spacer.value)), lostIs: 'least' } : {}
}

/** What to expect of the dry trial, by the last hub of this type; null where nothing was learned. */
function expected({ lost, lostIs }: ComparatorSetup, spacer: Estimate, { unit }: Answers): Finding | null {
  if (lost === null) return null
  const left = spacer.value - lost
  const show = (value: number) => formatLength(value, unit, { unit: true })
  const by = `the nut of the last hub of this type took ${show(lost)}${lostIs === 'least' ? ' or more' : ''}`
  return {
    gate: 'hand',
    level: 'note',
    words:
      left <= 0
        ? `No play is to be expected: ${by}.`
        : lostIs === 'least'
          ? `${show(left)} of play or less is to be expected: ${by}.`
          : `About ${show(left)} of play is to be expected: ${by}.`,
  }
}

/** What this dry trial shows of the nut, against the last hub of this type; null: nothing was learned there, or nothing speaks of it. */
function agrees({ lost, lostIs }: ComparatorSetup, spacer: Estimate, answers: Answers): Finding | null {
  if (lost === null) return null
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  const last = `the last hub of this type ${show(lost)}${lostIs === 'least' ? ' or more' : ''}`
  const say = (fine: boolean, took: string): Finding => ({
    gate: 'hand',
    level: fine ? 'note' : 'warn',
    words: fine
      ? `The nut takes ${took}: so it did of ${last}.`
      : `The nut takes ${took}, of ${last}: that does not agree. Was the torque the same, and were the rollers home?`,
  })
  const exact = shorteningOf(answers, spacer)
  if (exact && answers.of('end-play').atMost === undefined) {
    const short = lost - exact.value > exact.U
    return say(lostIs === 'least' ? !short : Math.abs(lost - exact.value) <= exact.U, show(exact.value))
  }
  // No play: it takes all the spacer was longer by, or more.
  return lostIs === 'least' || spacer.value - spacer.U <= lost ? null : say(false, `${show(spacer.value)} or more`)
}

/** On the label of the set: the reading of the shortest distance, what the spacer was to read, the nut torque. */
export function marks(setup: ComparatorSetup, answers: Answers, targets: readonly Target[]): SetMark[] {
  const shortest = shortestOf(setup, answers)
  return [
    ...(shortest ? [{ label: 'Shortest distance reads', value: shortest.value, of: 'play' as const }] : []),
    ...targets.map(({ value }) => ({ label: 'Spacer to read', value, of: 'play' as const })),
    ...(setup.nutTorque === null ? [] : [{ label: 'Nut torque', value: setup.nutTorque, of: 'torque' as const }]),
  ]
}

/** What the spacer has to read: that of the shortest distance, less or more what it is to be longer by. */
export function works(setup: ComparatorSetup, answers: Answers): Work[] {
  const shortest = shortestOf(setup, answers)
  if (setup.spacer !== 'adjustable' || !shortest) return []
  const falls = setup.sense === 'falls'
  return [
    {
      id: 'spacer',
      label: 'Set the spacer to read',
      does: 'adjustment',
      position: null,
      scale: 'play',
      effects: [{ result: 'longer', position: null, zero: shortest, slope: falls ? -1 : 1 }],
      now: answers.stale('spacer') === null ? answers.of('spacer').estimate : null,
      way: falls ? { up: 'Set it shorter by', down: 'Set it longer by' } : { up: 'Set it longer by', down: 'Set it shorter by' },
      note: `Longer is a ${falls ? 'smaller figure ↓' : 'larger figure ↑'}, less preload; shorter is more. Not from the mean of the turn: that makes it longer than meant by about half the spread.`,
      points: ['distance'],
      formula: `reading of the shortest distance ${falls ? '−' : '+'} what it is to be longer by`,
    },
  ]
}
