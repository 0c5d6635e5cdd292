import { MOST_PIECES } from '../../../choice/question/rules'
import { thou } from '../../../quantity/length'
import type { PackPlace } from '../../pack-place'
import { sealOut, type Condition } from '../../conditions'
import { defineKind } from '../../define-kind'
import { playFrom, playResult } from '../../common/results'
import { endPlaySteps, endPlaySuspicions } from './procedure'
import { FIELDS, type EndPlaySetup } from './setup'

/**
 * End play of a shaft between its thrust faces, read by a dial at one end.
 * The pack either fills the gap (thrust washer, flange shim: thicker is less play) or sets it (shim under a cover or quill:
 * thicker is more play).
 */
export const shaftEndPlay = defineKind({
  id: 'shaft-end-play',
  title: 'Shaft end play',
  about: 'Travel of a shaft between its thrust faces, set by a pack of shims.',
  under: 'gearbox',
  by: ['shims', 'quill', 'float', 'thrust washers', 'cover', 'loose shaft', 'input shaft', 'layshaft', 'idler'],
  spoken: {
    phrases: [
      { words: ['under cover', 'under quill', 'under retainer', 'cover', 'quill', 'retainer'], setup: { pack: 'under-cover' } },
      { words: ['in gap', 'gap'], setup: { pack: 'in-gap' } },
      { words: ['thrust washer', 'thrust', 'race', 'one washer', 'snap'], setup: { pack: 'single' } },
      { words: ['equal pair', 'pair'], setup: { pack: 'equal-pair' } },
      { words: ['end play', 'input shaft', 'output shaft', 'layshaft', 'mainshaft', 'idler', 'float', 'shaft'] },
    ],
  },
  plausible: thou(200),
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
  later: 'Closed with its film: read it again where that can be done',
}

const GAP = {
  id: 'pack',
  effects: [{ result: 'play', perPiece: -1 }],
  chosen: { by: 'window', pair: false },
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
          chosen: { by: 'window', pair: true },
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
          effects: [{ result: 'play', perPiece: 1 }],
          between: ['case', 'cover'],
          ...(film === null ? {} : { film: { thickness: film, unless: { condition: JOINT.id, is: 'built' } } }),
          capacity: { fewest: 0, most: MOST_PIECES },
        },
      ]
  }
}
