import { mm, thou } from '../../../quantity/length'
import { celsius, choice, count, length, ratio, type SetupOf } from '../../setup'

const ears = (label: string) =>
  choice({
    label,
    free: true,
    options: [
      { value: 'steel', label: 'Steel' },
      { value: 'aluminium alloy', label: 'Aluminium alloy', hint: 'play falls in the cold' },
    ],
    initial: 'steel',
  })
const span = (label: string) => length({ label, free: true, least: mm(5), optional: true })
const off = (label: string) =>
  length({
    scale: 'play',
    label,
    hint: 'with equal rings, to the right as +; only where it was measured: unequal rings are offered then',
    free: true,
    least: thou(-100),
    optional: true,
  })

export const FIELDS = {
  ears1: ears('Ears of plane 1'),
  span1: span('Plane 1, over the grooves'),
  off1: off('Plane 1, joint off the middle by'),
  ears2: ears('Ears of plane 2'),
  span2: span('Plane 2, over the grooves'),
  off2: off('Plane 2, joint off the middle by'),
  coldest: celsius({ label: 'Coldest it runs at', hint: '°C: what alloy ears leave of the play then', free: true, initial: -20 }),
  speed: count({ label: 'Fastest on the road, km/h', hint: 'zero: not asked', free: true, least: 0, most: 400, initial: 0 }),
  tyre: length({ label: 'Tyre, diameter', free: true, least: mm(50), optional: true }),
  axle: ratio({ label: 'Axle ratio', free: true, initial: 1 }),
}
export type JointSetup = SetupOf<typeof FIELDS>

export interface Plane {
  readonly id: '1' | '2'
  readonly label: string
  readonly ears: JointSetup['ears1']
  readonly span: JointSetup['span1']
  readonly off: JointSetup['off1']
}
/** The two planes, a quarter turn apart. */
export const planesOf = ({ ears1, span1, off1, ears2, span2, off2 }: JointSetup): Plane[] => [
  { id: '1', label: 'Plane 1', ears: ears1, span: span1, off: off1 },
  { id: '2', label: 'Plane 2', ears: ears2, span: span2, off: off2 },
]
export const ringsAt = (plane: string) => `rings-${plane}`
export const sidesAt = (plane: string) => `sides-${plane}`
