import { dialSteps } from '../../../method/dial/steps'
import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import type { Reminder } from '../../conditions'

/** The work of a universal joint’s rings. Common practice; the maker's manual comes first. */
export const jointSteps = (): readonly Step[] => [
  {
    id: 'grooves',
    phase: 'setup',
    text: 'Grooves clean, rings fully home, caps driven up against the ring on the side pushed to',
    required: true,
    caution: 'Eye protection: snap rings fly, and caps are driven by a hammer. Fingers out of the ears.',
  },
  {
    id: 'held',
    phase: 'setup',
    text: 'Yoke or slip piece held lightly in soft jaws, never the joint itself',
    required: true,
  },
  ...dialSteps.filter(step => step.phase === 'setup'),
  { id: 'quarter', phase: 'measure', text: 'Both planes, a quarter turn apart, before any ring is changed', required: false },
  ...dialSteps.filter(step => step.phase === 'measure'),
  {
    id: 'one-plane',
    phase: 'choose',
    text: 'One plane at a time, both its rings alike; a ring that came out is measured before it is believed',
    required: false,
    caution: 'A step of the kit counts twice: one ring each side.',
  },
  { id: 'home-again', phase: 'prove', text: 'Rings home again, caps against them; the joint falls by itself', required: true, of: 'refit' },
]

export const JOINT_REMINDERS: readonly Reminder[] = [{ id: 'marks', words: 'Shaft back to its marks, flange bolts at their torque' }]

/** Where to look when the fittings of a plane do not agree. */
export const jointSuspicions = (): readonly Suspicion[] => [
  { effect: 'less-play', words: 'A ring was not home in its groove, or dirt lay in it.' },
  { effect: 'more-play', words: 'A cap was not driven up against its ring.' },
  { effect: 'more-play', words: 'A ring is not its size: measure the rings that came out.' },
  { effect: 'less-play', words: 'A ring is not its size: measure the rings that came out.' },
]
