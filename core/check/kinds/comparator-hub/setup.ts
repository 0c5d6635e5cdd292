import { nm } from '../../../quantity/length'
import { WARMTH } from '../../common/hub'
import { choice, length, torque, type SetupOf } from '../../setup'

export const FIELDS = {
  sense: choice({
    label: 'As the length grows, the reading',
    options: [
      { value: 'falls', label: 'falls', hint: 'longer means a smaller figure' },
      { value: 'rises', label: 'rises', hint: 'longer means a larger figure' },
    ],
    initial: 'falls',
  }),
  spacer: choice({
    label: 'Spacer',
    options: [
      { value: 'adjustable', label: 'Adjustable, with a set screw' },
      { value: 'fixed', label: 'Fixed: chosen by size, or ground' },
    ],
    initial: 'adjustable',
  }),
  nutTorque: torque({ label: 'Nut torque', hint: 'fully tight, by the manual: dry for the trial, and in the car', free: true }),
  lost: length({
    scale: 'play',
    label: 'The nut shortens it by, learned from the last hub of this type',
    hint: 'no law: what its dry trial showed',
    free: true,
    least: nm(1),
    optional: true,
  }),
  lostIs: choice({
    label: 'Learned as',
    free: true,
    options: [
      { value: 'figure', label: 'So much' },
      { value: 'least', label: 'So much or more', hint: 'no play was left' },
    ],
    initial: 'figure',
  }),
  warmth: WARMTH,
}
export type ComparatorSetup = SetupOf<typeof FIELDS>
