import { mm, thou } from '../../../quantity/length'
import { overBar } from '../../common/over-bar'
import { choice, length, type SetupOf } from '../../setup'

export const FIELDS = {
  bell: choice({
    label: 'When they part, the bell housing stays on',
    options: [
      { value: 'engine', label: 'The engine', hint: 'F from its gearbox-side face, R from the gearbox’s front face' },
      { value: 'gearbox', label: 'The gearbox', hint: 'both from its engine-side face' },
    ],
    initial: 'engine',
  }),
  old: choice({
    label: 'Old clutch and pivot',
    options: [
      { value: 'measured', label: 'Measured before they came off' },
      { value: 'worn', label: 'Measured, and worn: a used figure' },
      { value: 'gone', label: 'Gone: the old gap cannot be told any more' },
    ],
    initial: 'measured',
  }),
  bar: length({ label: 'Thickness of the bar', least: thou(1), optional: true }),
  overF: overBar('F, to the fingers, was read'),
  overOld: overBar('F of the old clutch was read'),
  overR: overBar('R, to the bearing, was read'),
  pitch: length({ label: 'Pitch of the pivot’s thread', least: thou(1), optional: true }),
  stud: length({ label: 'Diameter of the pivot’s thread', least: thou(10), optional: true }),
  toBearing: length({
    label: 'Pivot to bearing, b',
    hint: 'along the fork; below zero on the other side',
    least: mm(-1000),
    optional: true,
  }),
  toCable: length({ label: 'Pivot to cable, c', hint: 'the same way round', least: mm(-1000), optional: true }),
  endMoved: length({
    label: 'Tried: the cable end was moved by',
    hint: 'and the bearing moved by, below: the fork’s real ratio',
    least: thou(1),
    optional: true,
  }),
  bearingMoved: length({ label: 'Tried: the bearing moved by', least: thou(1), optional: true }),
  endTravel: length({ label: 'Travel of the cable end, by the pedal', least: thou(1), optional: true }),
  need: length({ label: 'Release travel, by the clutch maker', hint: 'at the fingers', free: true, least: thou(1), optional: true }),
  most: length({ label: 'and no more than', hint: 'over it the fingers bend', free: true, least: thou(1), optional: true }),
  adjuster: length({
    label: 'Range of the cable’s adjuster',
    hint: 'the slack at its end has to lie within it',
    free: true,
    least: thou(1),
    optional: true,
  }),
  slackLeft: length({
    label: 'Gap that stays when the cable is set',
    hint: 'zero: the bearing runs lightly loaded',
    free: true,
    least: mm(0),
    initial: mm(0),
  }),
}
export type ForkSetup = SetupOf<typeof FIELDS>
/** Old parts were measured, worn or not. */
export const oldKnown = ({ old }: Pick<ForkSetup, 'old'>): boolean => old !== 'gone'
