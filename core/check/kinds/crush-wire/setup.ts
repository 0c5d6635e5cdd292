import { thou } from '../../../quantity/length'
import type { Position } from '../../contract'
import { MAKING_FIELDS } from '../../common/making'
import { PRELOAD_FIELDS } from '../../common/preload'
import { choice, count, length, name, type SetupOf } from '../../setup'

const { way: __, ...TORQUE } = PRELOAD_FIELDS
const bearing = (initial: string) => name({ label: 'Bearing or shaft', free: true, initial })

export const FIELDS = {
  bearings: count({ label: 'Bearings measured in this case', least: 1, most: 4, initial: 1 }),
  name1: bearing('Input shaft'),
  name2: bearing('Output shaft'),
  name3: bearing('Idler shaft'),
  name4: bearing('Fourth shaft'),
  wire: length({ label: 'Wire, diameter', hint: '3/32 in is 2.38 mm, not 3; blank: not known', least: thou(5), optional: true }),
  runs: count({ label: 'Runs, at most', hint: 'repeated until they agree; all of them count', free: true, least: 1, most: 6, initial: 3 }),
  by: choice({
    label: 'Wire measured by',
    options: [
      { value: 'micrometer', label: 'Micrometer' },
      { value: 'calipers', label: 'Calipers', hint: 'too coarse' },
    ],
    initial: 'micrometer',
  }),
  ends: choice({
    label: 'The shim leaves',
    options: [
      { value: 'preload', label: 'Preload' },
      { value: 'play', label: 'End play' },
    ],
    initial: 'preload',
  }),
  proof: choice({
    label: 'Proved by',
    options: [
      { value: 'gauge', label: 'Turning torque, by a torque gauge' },
      { value: 'scale', label: 'Turning torque, by a spring scale' },
      { value: 'none', label: 'Thickness alone', hint: 'no torque is given' },
    ],
    initial: 'gauge',
  }),
  ...TORQUE,
  ...MAKING_FIELDS,
}
export type CrushSetup = SetupOf<typeof FIELDS>

export const proves = ({ ends, proof }: Pick<CrushSetup, 'ends' | 'proof'>): boolean => ends === 'preload' && proof !== 'none'
const from = (least: number) => (setup: CrushSetup) => setup.bearings >= least
export const ASKED = {
  name2: from(2),
  name3: from(3),
  name4: from(4),
  proof: ({ ends }: CrushSetup) => ends === 'preload',
  radius: (setup: CrushSetup) => proves(setup) && setup.proof === 'scale',
  unit: proves,
  sealDrag: proves,
}

export const bearingsOf = (setup: CrushSetup): Position[] =>
  [setup.name1, setup.name2, setup.name3, setup.name4].slice(0, setup.bearings).map((label, i) => ({ id: String(i + 1), label }))

/** Two pieces of wire a race, opposite each other, each read at three places. */
export const PIECES = ['A', 'B'] as const
export const ALONG = ['1', '2', '3'] as const
export const runsOf = ({ runs }: Pick<CrushSetup, 'runs'>): string[] => Array.from({ length: runs }, (_, i) => String(i + 1))
export const wireAt = (bearing: string, run: string, piece: string, along: string): string => `wire-${bearing}-${run}-${piece}${along}`
export const packAt = (bearing: string): string => `shim-${bearing}`
