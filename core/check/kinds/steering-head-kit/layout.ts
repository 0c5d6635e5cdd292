import type { Jaws } from '../../../method/way'
import type { MeasuringPoint, Position } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { NAMES, SITES, washersAt, type HeadSetup } from './setup'

export const GENUINE_POINTS: readonly MeasuringPoint[] = [
  {
    id: 'bag',
    label: 'The right bag, nothing mixed up',
    at: {},
    way: 'word',
    result: 'right',
    moves: [],
    rests: ['kit'],
    words: [
      { value: 'right', label: 'right' },
      { value: 'mixed', label: 'mixed up' },
    ],
  },
  {
    id: 'damage',
    label: 'Damage',
    at: {},
    way: 'word',
    result: 'right',
    moves: [],
    rests: ['kit'],
    words: [
      { value: 'none', label: 'none' },
      { value: 'some', label: 'some' },
    ],
  },
]

/** Seats and cups, the stack and its thread, the gap under the seal, and the words that beat them. */
export function kitPoints({ by, at }: HeadSetup): MeasuringPoint[] {
  const name = NAMES[at]
  const sizes = SITES.flatMap(({ id, label }): MeasuringPoint[] => {
    const size = (
      point: string,
      words: string,
      what: string,
      inside: boolean,
      result: string,
      rests: readonly string[],
    ): MeasuringPoint => ({
      id: `${point}-${id}`,
      label: `${label}: ${words}`,
      at: { part: 'sizes', position: label, what },
      jaws: inside ? 'inside' : 'outside',
      way: by === 'calipers' ? 'calipers' : inside ? 'inside-micrometer' : 'micrometer',
      // A stem of 25 and a cup of 47 are no sizes of one micrometer.
      ...(by === 'calipers' ? {} : { tool: what }),
      result,
      moves: [],
      rests,
      alone: true,
    })
    return [
      size('seat', `${name.stem} seat, outside`, 'stem', false, 'cone-fit', ['stem']),
      size('cone', 'cone bore, inside', 'cone', true, 'cone-fit', ['kit']),
      size('bore', `${name.head} bore, inside`, 'head', true, 'cup-fit', ['head']),
      size('cup', 'cup, outside', 'cup', false, 'cup-fit', ['kit']),
    ]
  })
  const stack = (id: string, label: string, rests: readonly string[], jaws: Jaws = 'outside'): MeasuringPoint => ({
    id,
    label,
    at: { part: 'stack', position: label },
    way: 'calipers',
    jaws,
    result: 'thread',
    moves: [],
    rests,
    alone: true,
  })
  return [
    ...sizes,
    stack('old-stack', 'Old stack, cone to cone with all that is clamped', ['stem']),
    stack('new-stack', 'Kit stacked dry, the same, without washers', ['kit', 'seal']),
    stack('engaged', 'Thread engaged with the old stack', ['stem'], 'rod'),
    stack('spare', 'Nut could come down further with the old stack', ['stem'], 'rod'),
    ...SITES.flatMap(({ id, label }): MeasuringPoint[] => [
      {
        id: `gap-${id}`,
        label: `${label}: gap at the clamped face, seal just touching the cage, no washer`,
        at: { part: 'seal', position: label, what: 'gap' },
        way: 'feeler',
        result: 'clearance',
        moves: [],
        rests: ['kit', 'seal', 'stem'],
        counting: 'mean',
        noneWord: 'no gap: metal to metal',
      },
      {
        id: `squeezed-${id}`,
        label: `${label}: stack squeezed by hand, the bearing`,
        at: { part: 'seal', position: label, what: 'squeezed' },
        way: 'word',
        result: 'clearance',
        moves: [washersAt(id)],
        rests: ['kit', 'seal', 'stem'],
        words: [
          { value: 'free', label: 'free' },
          { value: 'rubs', label: 'rubs on the cage' },
        ],
      },
    ]),
    {
      id: 'turned',
      label: `Tightened to torque: ${name.nut}`,
      at: { part: 'proof', position: 'Both' },
      way: 'word',
      result: 'movement',
      moves: SITES.map(({ id }) => washersAt(id)),
      rests: ['kit', 'seal', 'stem', 'head'],
      words: [
        { value: 'free', label: 'no notch, no rub' },
        { value: 'rubs', label: 'notch, or rubs' },
      ],
    },
  ]
}

/** Washers of a site: they lift the seal, and stand under the nut. */
export const washerPlace = ({ stem, pocket }: HeadSetup, { id, label }: Position): PackPlace => ({
  id: washersAt(id),
  label: `${label}: washers on the inner ring`,
  effects: [
    { result: `clearance@${id}`, perPiece: 1 },
    { result: 'thread', perPiece: -1 },
    { result: 'reach', perPiece: 1 },
  ],
  chosen: { by: 'window', pair: false },
  washers: { over: stem, within: pocket },
  startsEmpty: true,
  between: ['inner ring', 'seal'],
  capacity: { fewest: 0, most: 3 },
  lappable: true,
})
