import { mm } from '../../../quantity/length'
import { HOLES, SHAFTS } from '../../../verdict/iso-286'
import { MASTER_FIELDS, heatFields } from '../../common/bore-master'
import { choice, count, length, type SetupOf } from '../../setup'

const classes = <Of extends string>(of: readonly Of[]) =>
  [{ value: 'none', label: 'None: limits are typed' }, ...of.map(value => ({ value, label: value }))] as const

export const FIELDS = {
  part: choice({
    label: 'Diameter of',
    options: [
      { value: 'bore', label: 'A bore' },
      { value: 'shaft', label: 'A shaft' },
    ],
    initial: 'bore',
  }),
  way: choice({
    label: 'Bore measured by',
    options: [
      { value: 'gauge', label: 'Bore gauge, zeroed in a master' },
      { value: 'micrometer', label: 'Inside micrometer' },
    ],
    initial: 'gauge',
  }),
  work: choice({
    label: 'It is',
    free: true,
    options: [
      { value: 'judged', label: 'Only measured and judged' },
      { value: 'sized', label: 'Worked to size: honed, ground, turned' },
    ],
    initial: 'judged',
  }),
  planes: count({ label: 'Planes, round', least: 2, most: 4, initial: 2 }),
  stations: count({ label: 'Stations, along', least: 1, most: 3, hint: 'two show taper', initial: 2 }),
  nominal: length({ label: 'Nominal diameter', free: true, least: mm(1), optional: true }),
  hole: choice({ label: 'Class of the hole, ISO 286', free: true, options: classes(HOLES), initial: 'none' }),
  shaft: choice({ label: 'Class of the shaft, ISO 286', free: true, options: classes(SHAFTS), initial: 'none' }),
  ...MASTER_FIELDS,
  ...heatFields('It is'),
}
export type DiameterSetup = SetupOf<typeof FIELDS>

export const byGauge = ({ part, way }: DiameterSetup): boolean => part === 'bore' && way === 'gauge'
export const ASKED = {
  zeroedIn: byGauge,
  master: byGauge,
  masterError: (setup: DiameterSetup) => byGauge(setup) && setup.zeroedIn === 'ring',
  way: ({ part }: DiameterSetup) => part === 'bore',
  hole: ({ part }: DiameterSetup) => part === 'bore',
  shaft: ({ part }: DiameterSetup) => part === 'shaft',
}
