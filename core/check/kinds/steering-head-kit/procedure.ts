import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import type { Reminder } from '../../conditions'
import { NAMES, type HeadSetup } from './setup'

/** The work of a steering head’s kit, before anything is pressed. Common practice; the maker's manual comes first. */
export const headSteps = ({ origin, at }: HeadSetup): readonly Step[] => [
  {
    id: 'old-inspected',
    phase: 'setup',
    text: 'Old bearings looked at: balls missing, cage broken, tracks dented. A missing ball is found',
    required: true,
    once: true,
    caution: at === 'head' ? 'The front end is held: it drops out when the nut is off.' : 'The machine stands held: the wheel is out.',
  },
  ...(origin === 'genuine'
    ? []
    : ([
        {
          id: 'kit-named',
          phase: 'setup',
          text: 'Kit and its source in the job’s notes: listed for this machine is no proof, near-twins differ',
          required: true,
          once: true,
        },
        {
          id: 'unpressed',
          phase: 'setup',
          text: 'Nothing is pressed yet: sizes, stack, then the gap with the seal just touching',
          required: true,
          once: true,
        },
        {
          id: 'gap-round',
          phase: 'measure',
          text: 'Gap read at several places round: its largest and smallest say whether the seal lies square',
          required: false,
        },
        {
          id: 'washer-inside',
          phase: 'choose',
          text: 'Washer’s inside clears the stem, its outside stays within the pocket, on the inner ring only; two thin ones may be stacked',
          required: false,
          caution: 'Metal to metal from nut to lower cone: a seal in between gets pressed on the cage.',
        },
        { id: 'squeezed', phase: 'prove', text: 'Stack squeezed by hand: seal touches its frame, cage free, ring clamped', required: true },
        {
          id: 'torqued',
          phase: 'prove',
          text: `Then pressed, tightened to torque, ${at === 'head' ? 'turned ' : ''}${NAMES[at].nut}`,
          required: true,
        },
      ] satisfies Step[])),
]

/** What is done when the kit stands. */
export const headReminders = ({ at }: HeadSetup): readonly Reminder[] => (at === 'wheel' ? WHEEL_REMINDERS : HEAD_REMINDERS)

const WHEEL_REMINDERS: readonly Reminder[] = [
  { id: 'torque', words: 'Axle torque on the machine' },
  { id: 'spins', words: 'On the machine: the wheel turns freely, no knock' },
]
const HEAD_REMINDERS: readonly Reminder[] = [
  { id: 'setting', words: 'Setting: seated, backed off, tightened to feel; scale at the bar end both ways, hoses off' },
  { id: 'after-ride', words: 'After the first ride: no knock when braking, no notch' },
]

/** Where to look when the fittings do not agree. */
export const headSuspicions = (): readonly Suspicion[] => [
  { effect: 'less-play', words: 'The seal did not lie square, or sat on dirt.' },
  { effect: 'more-play', words: 'The washer bore on the seal and not on the ring.' },
]
