import { formatFigure } from '../../../quantity/figure'
import { dialSteps } from '../../../method/dial/steps'
import type { Step } from '../../../method/step'
import type { Suspicion } from '../../../choice/grounds/ledger'
import { sealOut, type Condition, type Reminder } from '../../conditions'
import { dryBearings, warmthSteps } from '../../common/hub'
import type { HubSetup } from './setup'

/** The work of a taper bearing hub. Common practice; the maker's manual comes first. */
export function hubSteps({ axleTorque, discs, ...setup }: HubSetup): readonly Step[] {
  const full =
    axleTorque === null
      ? 'the axle torque of the manual'
      : `${formatFigure(axleTorque, 'N·m', { unit: true })} (${formatFigure(axleTorque, 'ft·lb', { unit: true })})`
  return [
    {
      id: 'stack',
      phase: 'setup',
      text: `Bench axle, bottom up: lower packing, cone, ${discs === 'none' ? '' : 'disc, '}sleeve, ${discs === 'both' ? 'disc, ' : ''}hub lowered and never dropped, plain spacers, stepped spacer with its step to the bearing, cone, packing above the thread, nut`,
      required: true,
      caution: 'The packing is no part of the pack. A hub is heavy: lift it with two hands, fingers clear.',
    },
    {
      id: 'loose-first',
      phase: 'setup',
      text: 'Begun loose on purpose: two of the thickest spacers and the stepped one',
      required: false,
    },
    ...dialSteps.filter(step => step.phase === 'setup'),
    {
      id: 'spun',
      phase: 'measure',
      text: `Nut tightened to ${full} while the wheel is spun`,
      required: false,
      caution: 'If it begins to bind, stop: type “binds”, with the torque if you know it. A thicker pack goes in.',
    },
    ...dialSteps.filter(step => step.phase === 'measure'),
    {
      id: 'press',
      phase: 'measure',
      text: 'Press the wheel down, zero, lift, read, press down again: back past zero means that the zero was taken unseated',
      required: false,
    },
    {
      id: 'magnet',
      phase: 'choose',
      text: 'Cone lifted out by a magnet at its inner ring, so that sleeve and spacers stay put',
      required: false,
      caution: 'Otherwise look over the whole stack again. Whichever side of the sleeve the pack goes, it is the same.',
    },
    {
      id: 'step-up',
      phase: 'prove',
      text: 'Stepped spacer in again, once, its step to the bearing; thin spacers between thick ones',
      required: true,
      of: 'refit',
    },
    {
      id: 'back-to-tray',
      phase: 'prove',
      text: 'Spacers that came out are back in the tray by size',
      required: false,
      caution: 'Never a pressure washer near these bearings.',
    },
    ...warmthSteps(setup),
  ]
}

export const HUB_CONDITIONS: readonly Condition[] = [
  dryBearings('Grease packed, lips and axle greased; no anti-seize near greased tapers'),
  sealOut('seals', 'Seals', 'Seals filled and fitted'),
  {
    id: 'torque',
    label: 'Axle nut',
    states: [
      { value: 'full', label: 'At its torque, wheel spun' },
      { value: 'less', label: 'Less, or not spun' },
    ],
  },
]

export const HUB_REMINDERS: readonly Reminder[] = [
  { id: 'machine-torque', words: 'Axle torque on the machine' },
  { id: 'turns', words: 'On the machine: the wheel turns freely, no knock' },
]

/** Where to look when one fitting does not agree with the others. */
export function hubSuspicions(): readonly Suspicion[] {
  return [
    { effect: 'more-play', words: 'A cup or a cone was not home: tightened without spinning the wheel.' },
    { effect: 'more-play', words: 'Axle nut not at its torque.' },
    { effect: 'less-play', words: 'Dirt between the spacers, or the step turned away from the bearing.' },
    { effect: 'more-play', words: 'One spacer taken for another: an 8 for a 6.' },
    { effect: 'less-play', words: 'One spacer taken for another: a 6 for an 8.' },
  ]
}
