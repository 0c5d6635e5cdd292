import { thou } from '../../quantity/length'
import type { CheckKind } from '../contract'
import { playFrom, playResult } from '../play'
import { endPlaySteps, endPlaySuspicions } from './procedure'

/**
 * End play of a shaft between its thrust faces, read by a dial at one end.
 * The pack either fills the gap (thrust washer, flange shim: thicker is less play) or sets it (shim under a cover or quill:
 * thicker is more play).
 */
export const shaftEndPlay: CheckKind = {
  id: 'shaft-end-play',
  title: 'Shaft end play',
  about: 'Travel of a shaft between its thrust faces, set by a pack of shims.',
  plausible: thou(250),
  safety: null,
  setupFields: [
    {
      id: 'pack',
      kind: 'choice',
      label: 'Where the pack sits',
      options: [
        { value: 'under-cover', label: 'Under a cover, quill or retainer', hint: 'thicker gives more play' },
        { value: 'in-gap', label: 'In the gap: thrust washer or flange shim', hint: 'thicker gives less play' },
        { value: 'equal-pair', label: 'An equal pair, one each side of the joint', hint: 'thicker gives less play, twice' },
        { value: 'none', label: 'Nothing to choose: measure and judge only' },
      ],
    },
  ],
  defaultSetup: { pack: 'under-cover' },
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
  places(setup) {
    switch (setup.pack) {
      case 'none':
        return []
      case 'in-gap':
        return [
          {
            id: 'pack',
            label: 'Pack in the gap',
            result: 'play',
            response: { perPiece: -1, pair: false },
            between: ['flange', 'thrust face'],
          },
        ]
      case 'equal-pair':
        return [
          { id: 'pack', label: 'Pair of rings', result: 'play', response: { perPiece: -1, pair: true }, between: ['groove', 'joint'] },
        ]
      default:
        return [
          { id: 'pack', label: 'Pack under the cover', result: 'play', response: { perPiece: 1, pair: false }, between: ['case', 'cover'] },
        ]
    }
  },
  procedure: endPlaySteps,
  suspicions: endPlaySuspicions,
  combine: (_setup, answers) => [playFrom('travel', answers, 'mean of far − (start + back)/2')],
}
