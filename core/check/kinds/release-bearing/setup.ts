import { thou } from '../../../quantity/length'
import { overBar } from '../../common/over-bar'
import { choice, length, type SetupOf } from '../../setup'

/** What the last build like it read: told beside the new figure, never instead of it. */
const last = (name: string) =>
  length({ label: `${name} of the last build`, hint: 'borrowed: never instead of measuring', free: true, least: thou(1), optional: true })

export const FIELDS = {
  plate: choice({
    label: 'Block plate between engine and bell housing',
    options: [
      { value: 'in', label: 'The build has one', hint: 'it is in place when A is taken' },
      { value: 'none', label: 'None' },
    ],
    initial: 'in',
  }),
  flange: choice({
    label: 'Crank flange, against the block’s face',
    options: [
      { value: 'proud', label: 'Stands proud of it' },
      { value: 'sunk', label: 'Lies below it' },
    ],
    initial: 'proud',
  }),
  bar: length({ label: 'Thickness of the straight bar', least: thou(1), optional: true }),
  overA: overBar('A, flange to block face, was read'),
  overH: choice({
    label: 'H, clutch height, was read',
    options: [
      { value: 'face', label: 'From the spacer to the fingers' },
      { value: 'bar', label: 'To a bar on the fingers: its thickness is taken off' },
      { value: 'centre', label: 'To a centring piece on the fingers: taken off' },
    ],
    initial: 'face',
  }),
  centre: length({
    label: 'Height of the centring piece',
    hint: 'above the fingers; the spacer below is never taken off',
    least: thou(1),
    optional: true,
  }),
  overD: overBar('D, bearing free, was read'),
  overB: overBar('B, bearing pushed home, was read'),
  stroke: length({
    label: 'Stroke of the bearing, by its maker',
    hint: 'D and B are held against it',
    free: true,
    least: thou(10),
    optional: true,
  }),
  need: length({
    label: 'Release travel, by the clutch maker',
    hint: 'at rest it is pressed back at least as far: so far can it go forward',
    free: true,
    least: thou(10),
    optional: true,
  }),
  lastA: last('A'),
  lastH: last('H'),
  lastD: last('D'),
  lastB: last('B'),
}
export type ReleaseSetup = SetupOf<typeof FIELDS>
