import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import { sealOut, type Condition, type Reminder } from '../../conditions'
import type { SwivelSetup } from './setup'

/** The work of a swivel housing. Common practice; the maker's manual comes first. */
export function swivelSteps({ upper, way }: SwivelSetup): readonly Step[] {
  return [
    {
      id: 'bolts-free',
      phase: 'setup',
      text: 'Trial bolts short and clean: full in, they foul nothing',
      required: true,
      caution: 'The housing is heavy and swings: prop it, fingers out of the ball.',
    },
    { id: 'pin-pressed', phase: 'setup', text: 'Top pin pressed in greased, its bearing unharmed', required: true },
    { id: 'washer-found', phase: 'setup', text: 'Thrust washer found: it can hang on the pin that came out', required: true, once: true },
    {
      id: 'sprung-in',
      phase: 'setup',
      text: 'Sprung shim kept: always in, once, last against the cap; measured pressed flat',
      required: true,
      caution: 'A sprung shim of 0.25 mm may stand 1.1 mm high: it counts with its flat thickness.',
    },
    {
      id: 'kept',
      phase: 'setup',
      text: 'Shims of the kit and the old ones, all measured: nothing is thrown away until this is signed',
      required: false,
    },
    {
      id: 'nip',
      phase: 'measure',
      text: `First pack: cap nipped until ${upper === 'roller' ? 'lift' : 'side play'} is gone and the housing turns smoothly with slight drag; then the gap under it`,
      required: false,
    },
    ...(way === 'feel'
      ? []
      : [
          {
            id: 'steady',
            phase: 'measure',
            text: 'Hand off the housing, turned steadily, both ways; what it takes to start is another figure',
            required: false,
          } satisfies Step,
        ]),
    {
      id: 'at-torque',
      phase: 'measure',
      text: 'Felt at full torque: with loose bolts a feeling says nothing',
      required: false,
    },
    {
      id: 'thicker-less',
      phase: 'choose',
      text: 'Thicker pack, less drag. Speak of the whole pack, not of adding or exchanging',
      required: false,
    },
    { id: 'proved-full', phase: 'prove', text: 'Bolts at full torque again, seals still out', required: true, of: 'refit' },
    {
      id: 'same-pack',
      phase: 'prove',
      text: 'Housing off again for its seal: pack bagged and labelled by its side, put back as it was',
      required: false,
      caution: 'With the seal in it drags a little more: one quick word is enough.',
    },
  ]
}

/** Of each side. */
export const SWIVEL_CONDITIONS: readonly Condition[] = [
  {
    id: 'bearings',
    label: 'Bearings',
    states: [
      { value: 'greased', label: 'Greased' },
      { value: 'dry', label: 'Dry' },
    ],
  },
  sealOut('seals', 'Swivel seal and ring seal of the pin', 'Ring seal of the pin and swivel seal in, lips greased'),
  {
    id: 'bolts',
    label: 'Cap bolts',
    states: [
      { value: 'full', label: 'At full torque' },
      { value: 'nipped', label: 'Nipped, or loose' },
    ],
    later: 'Final torque, once the top bracket is on',
  },
]

export const SWIVEL_REMINDERS: readonly Reminder[] = [
  { id: 'sensor', words: 'Sensor bracket with its seal, then the sensor' },
  { id: 'locks', words: 'On the machine: from lock to lock, smooth, no knock' },
]

/** Where to look when the fittings do not agree. */
export const swivelSuspicions = (): readonly Suspicion[] => [
  { effect: 'less-play', words: 'A seal was in, or a trial bolt fouled something.' },
  { effect: 'more-play', words: 'Bolts not at their torque, or the sprung shim not flat.' },
]
