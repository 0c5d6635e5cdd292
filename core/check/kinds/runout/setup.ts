import { mm } from '../../../quantity/length'
import { choice, length, marks, type SetupOf } from '../../setup'

export const FIELDS = {
  what: choice({
    label: 'Runout of',
    options: [
      { value: 'housing', label: 'A housing bore to the crank, with offset dowels' },
      { value: 'radial', label: 'A hub, disc or flange, at its rim' },
      { value: 'face', label: 'A face: flywheel, disc, flange, housing' },
      { value: 'shaft', label: 'A shaft between centres or in V-blocks' },
    ],
    initial: 'housing',
  }),
  marks: marks({
    label: 'Marks, in the order they are read',
    hint: '12 3 6 9 as a clock, or degrees: 0° 45° 90°; eight show what is out of round',
    initial: [0, 90_000, 180_000, 270_000],
  }),
  sense: choice({
    label: 'Pushing the tip in',
    options: [
      { value: 'rises', label: 'raises the figure' },
      { value: 'falls', label: 'lowers it' },
    ],
    initial: 'rises',
  }),
  view: choice({
    label: 'The clock is seen',
    free: true,
    options: [
      { value: 'unsaid', label: 'not said yet' },
      { value: 'gearbox', label: 'from the gearbox side' },
      { value: 'front', label: 'from the front of the engine' },
    ],
    initial: 'unsaid',
  }),
  judged: choice({
    label: 'The limit is for',
    hint: 'a property of the limit: read it where the limit stands',
    free: true,
    ofLimit: true,
    options: [
      { value: 'unsaid', label: 'not said yet' },
      { value: 'axis', label: 'each axis difference, 12 − 6 and 3 − 9' },
      { value: 'once', label: 'once-per-turn runout, twice the offset' },
      { value: 'raw', label: 'raw spread, highest less lowest' },
      { value: 'offset', label: 'the offset itself; the bow of a shaft' },
    ],
    initial: 'unsaid',
  }),
  radius: length({ label: 'Read at a radius of', least: mm(1), optional: true }),
  sag: choice({
    label: 'Bracket that sags on a long reach',
    options: [
      { value: 'none', label: 'Stiff: nothing to take off' },
      { value: 'measured', label: 'Its sag is read on a stiff bar at every mark' },
    ],
    initial: 'none',
  }),
}
export type RunoutSetup = SetupOf<typeof FIELDS>

export const isHousing = ({ what }: Pick<RunoutSetup, 'what'>): boolean => what === 'housing'
export const ASKED = {
  view: isHousing,
  radius: ({ what }: RunoutSetup) => what === 'face',
}

/** Whose clock it is, in words after a figure. */
export const seen = ({ what, view }: RunoutSetup): string =>
  what === 'housing'
    ? { unsaid: '', gearbox: 'seen from the gearbox side', front: 'seen from the front' }[view]
    : 'on the part, seen from the dial'
export const knowsView = ({ what, view }: RunoutSetup): boolean => what !== 'housing' || view !== 'unsaid'

export const atMark = (angle: number): string => `at-${angle}`
export const sagAt = (angle: number): string => `sag-${angle}`
export const RETURN = 'return'
export const CLOCKING = 'clocking'
export const DOWELS = 'dowels'

/** The two axes of a clock. */
export const AXES = [
  { id: '12-6', label: '12 − 6', angle: 0 },
  { id: '3-9', label: '3 − 9', angle: 90_000 },
] as const
