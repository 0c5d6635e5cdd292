import { MOST_PIECES } from '../../../choice/question/rules'
import { thou } from '../../../quantity/length'
import { formatLength } from '../../../quantity/format-length'
import type { Finding } from '../../../reading/gates'
import type { Answers, HandWord } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { handWord } from '../../common/by-hand'
import { defineKind } from '../../define-kind'
import { TAKEN_AS_GOOD, WHEEL_SAFETY, inspectionFindings, inspectionPoints, warmthOf, warmthPoints, warmthResults } from '../../common/hub'
import { playFrom, playResult } from '../../common/results'
import { stackFindings, stackPoint } from '../../common/stack-sum'
import { HUB_CONDITIONS, HUB_REMINDERS, hubSteps, hubSuspicions } from './procedure'
import { FIELDS } from './setup'

/** What rests on the bearings is measured anew when one of these changes; a bearing is cup and cone, both sides: no half of it is replaced alone. */
const RESTS = ['bearings', 'sleeve', 'hub', 'axle']

const SPACERS: PackPlace = {
  id: 'spacers',
  label: 'Spacers on the sleeve',
  effects: [{ result: 'play', perPiece: 1 }],
  chosen: { by: 'window', pair: false },
  between: ['sleeve', 'upper cone'],
  capacity: { fewest: 1, most: MOST_PIECES },
  one: 'stepped',
  lappable: false,
}

/**
 * End play of a wheel hub on a pair of taper roller bearings, set by spacers on the sleeve between the cones: a thicker pack gives
 * more play (c +1). Measured dry, at the axle torque, tightened while the wheel is spun.
 */
export const taperHub = defineKind({
  id: 'taper-hub',
  title: 'Taper bearing hub',
  about: 'End play of a wheel on taper bearings, set by spacers on the sleeve.',
  under: 'wheels',
  by: ['wheel', 'loose wheel', 'rocks', 'spacers', 'wheel bearing', 'cones', 'hub nut', 'stub axle'],
  spoken: {
    phrases: [{ words: ['taper hub', 'wheel hub', 'rear hub', 'front hub', 'wheel bearing', 'hub'] }],
    taken: TAKEN_AS_GOOD,
  },
  plausible: thou(100),
  safety: WHEEL_SAFETY,
  closing: 'Before the wheel goes on',
  offered: {
    to: /\b(tyre|tire|wheel|hub|wheel bearing)s?\b/i,
    words: 'The wheel is off: look at its bearings too. It is due at every tyre change, bearing change and second-hand machine.',
  },
  fields: FIELDS,
  parts: () => [
    { id: 'bearings', label: 'Bearings, cups and cones of both sides' },
    { id: 'sleeve', label: 'Sleeve and spacers' },
    { id: 'hub', label: 'Wheel hub' },
    { id: 'axle', label: 'Axle' },
  ],
  results: setup => [playResult('Hub end play'), ...warmthResults(setup)],
  points: setup => [
    ...inspectionPoints(['bearings'], 'play'),
    {
      id: 'hand',
      label: 'Rocked by hand, before the dial',
      at: {},
      way: 'word',
      result: 'play',
      moves: ['spacers'],
      rests: RESTS,
      words: [
        { value: 'knock', label: 'a knock' },
        { value: 'none', label: 'none' },
      ],
      optional: true,
    },
    { id: 'travel', label: 'Travel of the hub along the axle', at: {}, way: 'dial', result: 'play', moves: ['spacers'], rests: RESTS },
    stackPoint(SPACERS, { at: {}, result: 'play', rests: ['sleeve'] }),
    ...warmthPoints(setup, [SPACERS.id], RESTS),
  ],
  places: () => [SPACERS],
  procedure: hubSteps,
  conditions: () => HUB_CONDITIONS,
  reminders: () => HUB_REMINDERS,
  suspicions: hubSuspicions,
  combine(setup, answers) {
    const play = playFrom('travel', answers, 'mean of far − (start + back)/2')
    const measured = play.estimate !== null || play.atMost !== undefined
    return [
      {
        ...play,
        ...handWord(answers, ['hand'], 'travel', handFound(answers)),
        findings: [...inspectionFindings(answers, measured), ...handAgainstDial(answers), ...stackFindings(answers, SPACERS.id)],
      },
      ...warmthOf(setup, answers),
    ]
  },
})

/** What a hand felt where the dial finds too little of it to be felt, or so much that it must be. */
function handFound(answers: Answers): Pick<HandWord, 'state' | 'words'> | null {
  const { estimate } = answers.of('travel')
  const { word } = answers.of('hand')
  if (!estimate) return null
  if (word === 'knock' && estimate.value + estimate.U < FELT) return { state: 'above', words: 'by hand there is a knock' }
  return word === 'none' && estimate.value - estimate.U > FELT ? { state: 'below', words: 'by hand there is none' } : null
}

/** A hand feels a knock of some thou; less than that it does not. Common practice. */
const FELT = thou(10)

function handAgainstDial(answers: Answers): Finding[] {
  const { estimate } = answers.of('travel')
  const { word } = answers.of('hand')
  const said = (words: string): Finding[] => [{ gate: 'hand', level: 'warn', words }]
  if (!estimate || word === null) return []
  if (answers.after('hand', 'travel'))
    return [{ gate: 'hand', level: 'note', words: 'The hand was asked after the dial: it knew what to feel. Next time first.' }]
  const read = formatLength(estimate.value, answers.unit, { unit: true })
  if (word === 'none' && estimate.value - estimate.U > FELT)
    return said(`By hand there was none, and the dial says ${read}: is its tip tight, does it stand on the axle’s end?`)
  if (word === 'knock' && estimate.value + estimate.U <= 0)
    return said('By hand there was a knock, and the dial says none: is its tip tight, does it stand on the axle’s end?')
  return []
}
