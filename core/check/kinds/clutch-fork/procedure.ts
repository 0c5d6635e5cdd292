import type { Step } from '../../../method/step'
import type { Reminder } from '../../conditions'
import { oldKnown, type ForkSetup } from './setup'

/** The work of a clutch fork’s pivot. Common practice; the maker's manual comes first. */
export const forkSteps = (setup: ForkSetup): readonly Step[] => [
  {
    id: 'old-first',
    phase: 'setup',
    text: 'Old clutch and old pivot measured before they come off: afterwards the old gap is gone for good',
    required: oldKnown(setup),
    once: true,
  },
  { id: 'one-plane', phase: 'setup', text: 'F and R from the plane where engine and gearbox meet', required: true },
  {
    id: 'fingers-round',
    phase: 'measure',
    text: 'F at three places round: fingers are not level',
    required: true,
    caution: 'Old clutch dust may hold asbestos: do not blow it. A gearbox on a jack is strapped down.',
  },
  { id: 'fork-back', phase: 'measure', text: 'R with the cable off, the fork fully back by hand, three times', required: true },
  {
    id: 'turn-by-turn',
    phase: 'choose',
    text: 'One turn at a time, jam nut tight, R read after each; no threadlock yet',
    required: false,
    caution: 'R is always read again, never worked out: the fork’s angle decides.',
  },
  { id: 'greased', phase: 'prove', text: 'Sleeve, fork ends and pivot ball greased', required: true },
  { id: 'threadlock', phase: 'prove', text: 'Threadlock last, when the figure stands', required: true },
]

export const FORK_REMINDERS: readonly Reminder[] = [
  { id: 'cable-off', words: 'Fitted, cable off: the bearing just moves by hand' },
  { id: 'release', words: 'Cable on: full release seen, and no noise when driven' },
]
