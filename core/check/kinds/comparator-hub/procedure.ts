import { formatFigure } from '../../../quantity/figure'
import type { Step } from '../../../method/step'
import type { Condition, Reminder } from '../../conditions'
import { dryBearings, warmthSteps } from '../../common/hub'
import type { ComparatorSetup } from './setup'

/** The work of a hub spacer under the comparator. Common practice; the maker's manual comes first. */
export const comparatorSteps = ({ spacer, nutTorque, ...setup }: ComparatorSetup): readonly Step[] => [
  { id: 'same-pair', phase: 'setup', text: 'The same hub and bearings as will be in the car, clean', required: true },
  { id: 'zero-base', phase: 'setup', text: 'Base alone under the indicator: zero', required: true },
  { id: 'zero-head', phase: 'setup', text: 'Head on the base, outer bearing upside down, cage free: zero', required: true },
  {
    id: 'hub-in',
    phase: 'measure',
    text: 'Inner bearing, hub fully seated, mandrel, outer bearing, head; then light, steady pressure while it is spun',
    required: false,
    caution: 'A hub is heavy: lower it, fingers clear. A roller that climbs makes the distance longer.',
  },
  { id: 'zeros-again', phase: 'measure', text: 'Both zeros once more, with nothing moved', required: false },
  ...(spacer === 'adjustable'
    ? ([
        { id: 'set', phase: 'choose', text: 'Spacer set by its screw, read the same way up each time', required: false },
        {
          id: 'lock',
          phase: 'prove',
          text: 'Set screw locked, spacer measured once more, screw and spacer marked',
          required: true,
          caution: 'Locking can move it by a thou or two.',
        },
      ] satisfies Step[])
    : ([{ id: 'label-out', phase: 'choose', text: 'The spacer that comes out bagged and labelled', required: false }] satisfies Step[])),
  {
    id: 'dry-trial',
    phase: 'prove',
    text: `Tried dry, nut at ${nutTorque === null ? 'its full torque' : `${formatFigure(nutTorque, 'N·m', { unit: true })} (${formatFigure(nutTorque, 'ft·lb', { unit: true })})`}: end play, then spin`,
    required: true,
  },
  { id: 'label', phase: 'prove', text: 'Hub, bearings and spacer labelled as one set', required: true },
  ...warmthSteps(setup),
]

export const COMPARATOR_CONDITIONS: readonly Condition[] = [dryBearings('Grease packed')]
export const COMPARATOR_REMINDERS: readonly Reminder[] = [
  { id: 'seals', words: 'Seals fitted' },
  { id: 'in-the-car', words: 'Hub in the car again, nut at its torque: turns free, no knock' },
]
