import { nm, thou } from '../../../quantity/length'
import type { LimitSet } from '../../../verdict/limits'
import { defineKind } from '../../define-kind'
import { playFrom, playResult } from '../../common/results'
import { eccentricSteps, eccentricSuspicions } from './procedure'

/** Usual band of these shafts: 0.04 to 0.07 mm. Common practice. */
const USUAL: LimitSet = {
  kind: 'two-sided',
  lower: nm(40_000),
  upper: nm(70_000),
  unit: 'mm',
  source: { kind: 'common-practice', text: 'usual for these shafts' },
}

const ROLES = [
  'Housings',
  'End plate',
  'Front pulley',
  'Timing gear',
  'Pump gear',
  'Counterweight',
  'Thrust washers and needle bearing',
].map(label => ({
  id: label.toLowerCase().replace(/ /g, '-'),
  label,
}))

/**
 * End play of an eccentric shaft (rotary engine), set by one lettered spacer (c +1) in steps of 0.02 mm. The letters are in no
 * order of thickness: the drawer's marks are the table.
 */
export const eccentricShaftEndPlay = defineKind({
  id: 'eccentric-shaft-end-play',
  title: 'Eccentric-shaft end play',
  about: 'Rotary engine: end play of the eccentric shaft, set by one lettered spacer.',
  under: 'engine',
  by: ['rotary', 'thrust plate', 'spacer', 'front nut', 'needle bearing'],
  spoken: { phrases: [{ words: ['eccentric shaft', 'eccentric', 'rotary'] }] },
  plausible: thou(100),
  safety: null,
  closing: 'Before the front cover goes on',
  fields: {},
  parts: () => ROLES,
  results: () => [playResult('Eccentric-shaft end play')],
  points: () => [
    {
      id: 'travel',
      label: 'Travel at the front nut',
      at: {},
      way: 'dial',
      result: 'play',
      moves: ['spacer'],
      rests: ROLES.map(({ id }) => id),
    },
  ],
  places: () => [
    {
      id: 'spacer',
      label: 'Lettered spacer',
      effects: [{ result: 'play', perPiece: 1 }],
      chosen: { by: 'window', pair: false },
      between: ['needle bearing', 'thrust plate'],
      capacity: { fewest: 1, most: 1 },
      lappable: true,
    },
  ],
  procedure: eccentricSteps,
  suspicions: eccentricSuspicions,
  combine: (_setup, answers) => [playFrom('travel', answers, 'mean of far − (start + back)/2')],
  thumb: () => USUAL,
})
