import { nm, thou } from '../../quantity/length'
import { MOST_PIECES } from '../../pack/chooser/prepare'
import type { PackPlace } from '../contract'
import { sealOut, type Condition } from '../conditions'
import { defineKind } from '../define-kind'
import { playFrom, playResult } from '../results'
import { choice, length, type SetupOf } from '../setup'
import { endPlaySteps, endPlaySuspicions } from './procedure'

export const FIELDS = {
  pack: choice({
    label: 'Where the pack sits',
    sign: true,
    options: [
      { value: 'under-cover', label: 'Under a cover, quill or retainer', hint: 'thicker gives more play' },
      { value: 'in-gap', label: 'In the gap: a pack of shims', hint: 'thicker gives less play' },
      { value: 'single', label: 'In the gap: one thrust washer, race or ring', hint: 'thicker gives less play' },
      { value: 'equal-pair', label: 'An equal pair, one each side of the joint', hint: 'thicker gives less play, twice' },
      { value: 'none', label: 'Nothing to choose: measure and judge only' },
    ],
    initial: 'under-cover',
  }),
  film: length({
    scale: 'play',
    label: 'Film the cover is closed with for good',
    hint: 'as squeezed, where it was measured bare; blank: none',
    free: true,
    added: true,
    least: nm(0),
    optional: true,
  }),
  seals: choice({
    label: 'Measured before strip-down',
    free: true,
    added: true,
    options: [
      { value: 'no', label: 'No: dry and without seals from the start' },
      { value: 'yes', label: 'Yes, with its seals in; dry afterwards' },
    ],
    initial: 'no',
  }),
}
export type EndPlaySetup = SetupOf<typeof FIELDS>

/**
 * End play of a shaft between its thrust faces, read by a dial at one end.
 * The pack either fills the gap (thrust washer, flange shim: thicker is less play) or sets it (shim under a cover or quill:
 * thicker is more play).
 */
export const shaftEndPlay = defineKind({
  id: 'shaft-end-play',
  title: 'Shaft end play',
  about: 'Travel of a shaft between its thrust faces, set by a pack of shims.',
  plausible: thou(250),
  safety: null,
  closing: 'Before the case is closed',
  fields: FIELDS,
  asked: { film: ({ pack }) => pack === 'under-cover' },
  parts: () => [
    { id: 'shaft', label: 'Shaft' },
    { id: 'bearing', label: 'Bearings' },
    { id: 'housing', label: 'Housing and cover' },
  ],
  results: () => [playResult('End play')],
  points: () => [
    {
      id: 'travel',
      label: 'Travel from one thrust face to the other',
      at: {},
      way: 'dial',
      result: 'play',
      moves: ['pack'],
      rests: ['shaft', 'bearing', 'housing'],
    },
  ],
  places: setup => placeFor(setup),
  conditions: setup => [...(setup.seals === 'yes' ? [SEALS] : []), ...(filmOf(setup) === null ? [] : [JOINT])],
  procedure: endPlaySteps,
  suspicions: endPlaySuspicions,
  combine: (_setup, answers) => [playFrom('travel', answers, 'mean of far − (start + back)/2')],
})

/** Seals drag: as it comes in it is measured with them, and judged without. */
const SEALS = sealOut('seals', 'Seals', 'Seals fitted', 'Out, dry')
/** A film lies under a cover alone. */
const filmOf = ({ pack, film }: EndPlaySetup) => (pack === 'under-cover' ? film : null)
const JOINT: Condition = {
  id: 'joint',
  label: 'Joint under the cover',
  states: [
    { value: 'bare', label: 'Bare' },
    { value: 'built', label: 'As it is built' },
  ],
  stays: true,
  later: 'Closed with its film: read it again where that can be done',
}

const GAP = {
  id: 'pack',
  result: 'play',
  response: { perPiece: -1, pair: false },
  between: ['flange', 'thrust face'],
  lappable: true,
} as const

/** Where the pieces go, and how many it takes. */
function placeFor(setup: EndPlaySetup): PackPlace[] {
  const film = filmOf(setup)
  switch (setup.pack) {
    case 'none':
      return []
    case 'in-gap':
      return [{ ...GAP, label: 'Pack in the gap', capacity: { fewest: 1, most: MOST_PIECES } }]
    case 'single':
      return [{ ...GAP, label: 'Piece in the gap', capacity: { fewest: 1, most: 1 } }]
    case 'equal-pair':
      return [
        {
          ...GAP,
          label: 'Pair of rings',
          response: { perPiece: -1, pair: true },
          between: ['groove', 'joint'],
          capacity: { fewest: 2, most: 2 },
          // Both would have to be made alike.
          lappable: false,
        },
      ]
    case 'under-cover':
      return [
        {
          ...GAP,
          label: 'Pack under the cover',
          response: { perPiece: 1, pair: false },
          between: ['case', 'cover'],
          ...(film === null ? {} : { film: { thickness: film, unless: { condition: JOINT.id, is: 'built' } } }),
          capacity: { fewest: 0, most: MOST_PIECES },
        },
      ]
  }
}
