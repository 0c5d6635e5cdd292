import type { Step } from '../../../method/step'
import type { Condition, Reminder } from '../../conditions'
import type { Suspicion } from '../../../choice/grounds/ledger'
import { proves, type CrushSetup } from './setup'

/** The work with crush wire. Common practice; the maker's manual comes first. */
export const crushSteps = (setup: CrushSetup): readonly Step[] => [
  { id: 'clean', phase: 'setup', text: 'Case halves, races and seats clean and dry, no old sealant', required: true },
  {
    id: 'opposite',
    phase: 'setup',
    text: 'Two short lengths on each race, opposite each other, clear of stamped letters, held with a dab of grease',
    required: true,
    caution: 'Solder holds lead: wash hands, nothing to eat at the bench.',
  },
  { id: 'torqued', phase: 'measure', text: 'Case closed at its full torque, in its order, left, and opened', required: true },
  { id: 'three-each', phase: 'measure', text: 'Each piece read at three places, clear of letters and ends', required: false },
  {
    id: 'again',
    phase: 'measure',
    text: 'New wire, run again until the runs agree; what disagrees stays in unless its cause is known',
    required: false,
  },
  {
    id: 'pressed',
    phase: 'choose',
    text: 'One shim or a stack, measured pressed together by micrometer; lapped or cut from sheet it is read at four points',
    required: false,
  },
  {
    id: 'closed',
    phase: 'prove',
    text: proves(setup)
      ? 'Shim in, case at full torque, turned both ways, torque read'
      : 'Shim in, case at full torque, turned by hand both ways',
    required: true,
  },
]

export const CRUSH_CONDITIONS: readonly Condition[] = [
  {
    id: 'left',
    label: 'Wire left under torque',
    states: [
      { value: 'long', label: 'A quarter of an hour warm, longer cold' },
      { value: 'short', label: 'Less' },
    ],
  },
]
export const CRUSH_REMINDERS: readonly Reminder[] = [
  { id: 'wire-out', words: 'Every piece of wire out and counted' },
  { id: 'sealed', words: 'Case sealed as it was measured, or the film allowed for' },
]

export const crushSuspicions = (): readonly Suspicion[] => [
  { effect: 'more-play', words: 'A wire lay on stamped letters, or a race was not home.' },
  { effect: 'less-play', words: 'The case was not closed to its torque, or opened too soon.' },
  { effect: 'more-play', words: 'A shim is not its size: measure the stack pressed together.' },
  { effect: 'less-play', words: 'A shim is not its size: measure the stack pressed together.' },
]
