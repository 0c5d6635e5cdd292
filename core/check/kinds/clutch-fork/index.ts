import { mm } from '../../../quantity/length'
import type { MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { SIZE_WORDS } from '../../../verdict/words'
import { clearanceResult, sizeResult } from '../../common/results'
import { ROUND } from '../../common/round'
import { combineFork, forkDemands, pivotWorks, ratioOf, TIMES } from './evaluate'
import { FORK_REMINDERS, forkSteps } from './procedure'
import { FIELDS, oldKnown, type ForkSetup } from './setup'

const CLUTCH = ['clutch', 'flywheel', 'bell']
const FORK = ['pivot', 'fork', 'gearbox', 'bearing']

/**
 * A clutch fork on a screwed pivot: the gap between bearing and fingers, how far the pivot goes in for it, whether what the pedal
 * moves still releases, and whether the cable can still be set.
 */
export const clutchFork = defineKind({
  id: 'clutch-fork',
  title: 'Clutch fork and pivot',
  about: 'Gap between release bearing and fingers, turns of the pivot, travel that is left and slack to take up.',
  under: 'driveline',
  by: ['release fork', 'pedal', 'pivot ball', 'clutch', 'throw-out', 'fingers', 'free play'],
  plausible: mm(300),
  safety: null,
  closing: 'Before the gearbox goes up',
  questions: {
    gap: { ask: 'Will it go on without touching?', no: 'below' },
    travel: { ask: 'Will it release?', no: 'below' },
    slack: { ask: 'Will it still be adjustable when worn?', no: 'above' },
  },
  fields: FIELDS,
  asked: {
    overOld: oldKnown,
    endTravel: setup => ratioOf(setup) !== null || setup.endMoved === null,
  },
  parts: () => [
    { id: 'clutch', label: 'Clutch' },
    { id: 'flywheel', label: 'Flywheel' },
    { id: 'bell', label: 'Bell housing' },
    { id: 'pivot', label: 'Pivot' },
    { id: 'fork', label: 'Fork' },
    { id: 'gearbox', label: 'Gearbox' },
    { id: 'bearing', label: 'Release bearing' },
  ],
  results: setup => [
    clearanceResult('gap', 'Gap, bearing to fingers'),
    sizeResult('travel', 'Travel left at the fingers', { scale: 'play', cannotBind: 'below', beside: true, belowZero: 'never' }),
    sizeResult('slack', 'Slack to take up at the cable', { scale: 'play', cannotBind: 'below', beside: true, belowZero: 'never' }),
    sizeResult('engaged', 'Thread engaged', { scale: 'play', cannotBind: 'above', belowZero: 'never' }),
    clearanceResult('swing', 'Room to swing', { ends: SIZE_WORDS, main: false }),
    ...(oldKnown(setup)
      ? [
          sizeResult('grown', 'Clutch stands further out by', { scale: 'play', unjudged: true }),
          sizeResult('shorter', 'Pivot shorter by', { scale: 'play', unjudged: true }),
        ]
      : []),
  ],
  points: forkPoints,
  places: () => [],
  procedure: forkSteps,
  reminders: () => FORK_REMINDERS,
  suspicions: () => [],
  combine: (setup, answers) => {
    const kept = oldKnown(setup) ? [] : ['grown', 'shorter']
    return combineFork(setup, answers).filter(({ kind }) => !kept.includes(kind))
  },
  works: pivotWorks,
  demands: forkDemands,
})

function forkPoints(setup: ForkSetup): MeasuringPoint[] {
  const depth = (id: string, label: string, rests: readonly string[], more: Partial<MeasuringPoint> = {}): MeasuringPoint => ({
    id,
    label,
    at: {},
    way: 'depth',
    result: 'gap',
    moves: [],
    rests,
    alone: true,
    ...more,
  })
  return [
    ...(oldKnown(setup)
      ? [
          depth('f-old', 'F of the old clutch, to its fingers', ['bell'], { result: 'grown', optional: true }),
          depth('pivot-old', 'Old pivot, its length', [], { way: 'calipers', jaws: 'outside', result: 'shorter', optional: true }),
        ]
      : []),
    ...ROUND.map(place => depth(`f-${place}`, `F, to the fingers, place ${place}`, CLUTCH, { together: 'f' })),
    ...TIMES.map((id, i) =>
      depth(id, `R, to the bearing, fork fully back${i === 0 ? '' : `, time ${i + 1}`}`, FORK, { way: 'depth-now', optional: i > 0 }),
    ),
    depth('pivot', 'Pivot fitted, its length', ['pivot'], {
      way: 'calipers',
      jaws: 'outside',
      result: oldKnown(setup) ? 'shorter' : 'engaged',
      optional: true,
    }),
    depth('engaged', 'Thread of the pivot in its hole', ['pivot', 'gearbox'], {
      way: 'calipers',
      jaws: 'rod',
      result: 'engaged',
      optional: true,
    }),
    depth('binds-at', 'Travel bar: where the fork begins to bind', ['fork', 'pivot'], { result: 'swing', optional: true }),
    depth('sleeve-ends', 'Travel bar: where the sleeve ends', ['fork', 'bearing'], { result: 'swing', optional: true }),
    depth('left', 'How far it could still go in', ['pivot', 'gearbox'], {
      way: 'calipers',
      jaws: 'rod',
      result: 'engaged',
      optional: true,
    }),
  ]
}
