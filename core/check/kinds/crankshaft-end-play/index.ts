import { MOST_PIECES } from '../../../choice/question/rules'
import { thou } from '../../../quantity/length'
import { defineKind } from '../../define-kind'
import { playFrom, playResult } from '../../common/results'
import { crankshaftSteps, crankshaftSuspicions } from './procedure'
import { FIELDS } from './setup'

/**
 * End play of a crankshaft at its thrust bearing: by a dial on the shaft's end, or by feelers between thrust face and flange with
 * the shaft pushed fully one way. A fixed thrust bearing leaves nothing to choose, only alignment; a shimmed flange takes a pack
 * that fills the gap (c −1).
 */
export const crankshaftEndPlay = defineKind({
  id: 'crankshaft-end-play',
  title: 'Crankshaft end play',
  about: 'Travel of a crankshaft at its thrust bearing, by dial or feelers.',
  under: 'engine',
  by: ['thrust bearing', 'thrust washers', 'float', 'clutch pedal moves the crank', 'main bearing cap'],
  spoken: { phrases: [{ words: ['crank flange', 'crankshaft flange'], setup: { thrust: 'shimmed' } }, { words: ['crankshaft', 'crank'] }] },
  plausible: thou(200),
  safety: null,
  closing: 'Before the engine is closed',
  fields: FIELDS,
  parts: () => [
    { id: 'crankshaft', label: 'Crankshaft' },
    { id: 'thrust-bearing', label: 'Thrust bearing' },
    { id: 'block', label: 'Block and caps' },
  ],
  results: () => [playResult('Crankshaft end play')],
  points(setup) {
    const point = { at: {}, result: 'play', moves: ['flange'], rests: ['crankshaft', 'thrust-bearing', 'block'] } as const
    switch (setup.way) {
      case 'feeler':
        return [{ ...point, id: 'gap', label: 'Gap at the thrust face, shaft pushed fully one way', way: 'feeler' }]
      case 'feel':
        return [{ ...point, id: 'felt', label: 'Travel felt by hand', way: 'feel' }]
      case 'dial':
        return [{ ...point, id: 'travel', label: 'Travel of the shaft’s end', way: 'dial' }]
    }
  },
  places: setup =>
    setup.thrust === 'shimmed'
      ? [
          {
            id: 'flange',
            label: 'Shims at the flange',
            effects: [{ result: 'play', perPiece: -1 }],
            chosen: { by: 'window', pair: false },
            between: ['crankshaft', 'flywheel'],
            capacity: { fewest: 1, most: MOST_PIECES },
            lappable: true,
          },
        ]
      : [],
  procedure: crankshaftSteps,
  suspicions: crankshaftSuspicions,
  combine(setup, answers) {
    if (setup.way === 'feeler') return [playFrom('gap', answers, '(go + no-go)/2')]
    if (setup.way === 'feel') return [playFrom('felt', answers, 'middle of the range judged')]
    const answer = answers.of('travel')
    const sprang = answer.findings.some(finding => finding.gate === 'spring-back')
    return [
      {
        ...playFrom('travel', answers, 'mean of far − (start + back)/2'),
        findings: sprang
          ? [
              {
                gate: 'hand',
                level: 'warn',
                words:
                  'Spring-back on a crankshaft: thrust halves out of line, a bent cap, or a main that binds. Align the thrust bearing first, then measure again.',
              },
            ]
          : [],
      },
    ]
  },
})
