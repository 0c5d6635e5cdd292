import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import type { Reminder } from '../../conditions'
import type { ReleaseSetup } from './setup'

/** The work of a hydraulic release bearing. Common practice; the maker's manual comes first. */
export const releaseSteps = ({ plate }: ReleaseSetup): readonly Step[] => [
  ...(plate === 'in'
    ? [
        {
          id: 'plate-in',
          phase: 'setup',
          text: 'Block plate in place as built: A is taken with it',
          required: true,
        } satisfies Step,
      ]
    : []),
  {
    id: 'clutch-up',
    phase: 'setup',
    text: 'Clutch bolted up to torque on the flat spacer that stands for the crank flange',
    required: true,
    caution: 'A clutch cover is under spring load: bolts a turn at a time. Old dust may hold asbestos: do not blow it.',
  },
  { id: 'bar-measured', phase: 'setup', text: 'Bar straight, its thickness measured once and kept with it', required: false },
  { id: 'three-round', phase: 'measure', text: 'H and D at three places round: fingers and bearing are not level', required: true },
  {
    id: 'free',
    phase: 'measure',
    text: 'D with the bearing at its free end; B with it pushed fully home, evenly, by hand',
    required: true,
    caution: 'What lay between jaw and face is the same for D and B, or their difference is wrong by it.',
  },
  {
    id: 'one-shim',
    phase: 'choose',
    text: 'A shim behind the bearing adds to the compression and takes from the reserve',
    required: false,
    caution:
      'Too little compression: it comes to its end before the clutch is released. Too little reserve: the clutch slips as the disc wears. Where no shim meets both, look at bearing, flywheel and disc.',
  },
  { id: 'again', phase: 'prove', text: 'D and B read again with the shim in: the stroke has not changed', required: true, of: 'refit' },
]

export const RELEASE_REMINDERS: readonly Reminder[] = [
  { id: 'bled', words: 'Hydraulics filled and bled, no drip at the bearing' },
  { id: 'released', words: 'In the machine: it releases fully, and grips before the pedal’s top' },
]

/** Where to look when the fittings do not agree. */
export const releaseSuspicions = (): readonly Suspicion[] => [
  { effect: 'more-play', words: 'The bearing was not at its free end, or the shim not flat.' },
  { effect: 'less-play', words: 'The bearing was held back, or a bar taken off twice.' },
]
