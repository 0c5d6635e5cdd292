import { thou } from '../../../quantity/length'
import { defineKind } from '../../define-kind'
import { THUMB_FORM, combineBearings, thumbClearance } from './evaluate'
import { points, positionsOf, resultKinds, roles, shellPlaces } from './layout'
import { bearingSteps } from './procedure'
import { ASKED, FIELDS } from './setup'
import { spoken } from './spoken'

/**
 * Oil clearance of plain bearings, mains or rods, at any number of positions: bore with shells and cap torqued, less journal; or by
 * plastic strip. Journal size, out-of-round and taper are judged beside it. Shells are chosen half by half.
 */
export const bearingClearance = defineKind({
  id: 'bearing-clearance',
  title: 'Bearing clearance',
  about: 'Plain shells, mains or rods: bore less journal at every position, or plastic strip; shells to choose.',
  under: 'engine',
  by: ['mains', 'rods', 'big ends', 'shells', 'journals', 'plastic strip', 'oil pressure', 'knock', 'regrind'],
  spoken,
  plausible: thou(60),
  safety: null,
  closing: 'Before the bottom end is closed',
  fields: FIELDS,
  asked: ASKED,
  parts: roles,
  results: resultKinds,
  points,
  places: shellPlaces,
  procedure: bearingSteps,
  suspicions: () => [
    { effect: 'less-play', words: 'Dirt or a burr behind a shell, or a cap the wrong way round.' },
    { effect: 'less-play', words: 'A shell of another make: its wall is not what its grade says. Measure it.' },
    { effect: 'more-play', words: 'The cap was not at full torque.' },
  ],
  combine: combineBearings,
  thumb(setup, answers, result) {
    if (result === 'clearance') return positionsOf(setup).length > 0 ? thumbClearance(setup, answers) : null
    return result === 'journal-round' || result === 'journal-taper' ? THUMB_FORM : null
  },
})
