import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import { sealOut, type Condition, type Reminder } from '../../conditions'
import type { TorqueSetup } from './setup'

/** The work of setting preload by torque. Common practice; the maker's manual comes first. */
export function preloadSteps({ stages, way }: TorqueSetup): readonly Step[] {
  return [
    { id: 'clean', phase: 'setup', text: 'Case, races and shims clean, no burrs; photographed before it was stripped', required: true },
    ...(stages === 'one'
      ? []
      : [
          {
            id: 'crown-bolts',
            phase: 'setup',
            text: 'Crown wheel bolts of the differential at their torque',
            required: true,
          } satisfies Step,
        ]),
    ...(way === 'gauge'
      ? [
          {
            id: 'adaptor',
            phase: 'setup',
            text: 'Drive adaptor turns freely by itself, tooth backlash taken up; the gauge reads in its usable range',
            required: true,
          } satisfies Step,
        ]
      : []),
    {
      id: 'case-torque',
      phase: 'setup',
      text: 'Case bolts at full torque for every reading, lubricated as the book says',
      required: true,
    },
    {
      id: 'steady',
      phase: 'measure',
      text: 'Turned steadily, both ways, three times; what it takes to start is another figure',
      required: false,
    },
    {
      id: 'lap-cold',
      phase: 'choose',
      text: 'Before hours of rubbing: what buying, stacking or grinding would cost. Lapped coarse to fine, measured cold and clean at four points',
      required: false,
      caution: 'A torque is no thickness: 0.25 N·m too much is not 0.25 mm to come off.',
    },
    { id: 'proved-full', phase: 'prove', text: 'Read at full clamp with the shim as it stays', required: true, of: 'refit' },
  ]
}

/** Of each stage. @param joint  the place in which a packing lies for a trial */
export const preloadConditions = (joint: string): readonly Condition[] => [
  {
    id: 'oil',
    label: 'Bearings',
    states: [
      { value: 'as-book', label: 'Oiled, or dry, as the book says' },
      { value: 'other', label: 'Otherwise' },
    ],
  },
  {
    id: 'joint',
    label: 'Joint',
    states: [
      { value: 'bare', label: 'Bare' },
      { value: 'built', label: 'As built: its gasket, its bead of sealant' },
      { value: 'packing', label: 'With a trial packing' },
    ],
    packing: { place: joint, state: 'packing' },
    later: 'Measured bare: the film of a sealant opens the joint, and preload falls. Read it again sealed where that can be done',
  },
  sealOut('seal', 'Shaft seal', 'Shaft seal in', 'Out, or its drag taken off'),
]

export const PRELOAD_REMINDERS: readonly Reminder[] = [{ id: 'turns', words: 'Closed for good: turns through all gears, no tight spot' }]

/** Where to look when the fittings do not agree. */
export const preloadSuspicions = (): readonly Suspicion[] => [
  { effect: 'less-play', words: 'A race was not home, or the seal was in.' },
  { effect: 'more-play', words: 'Case bolts not at their torque, or something in the joint.' },
]
