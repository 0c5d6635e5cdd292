import { nm, thou } from '../../quantity/length'
import { HEAT_DEFAULTS, heatFields, MASTER_DEFAULTS, masterFields } from '../bore-master'
import type { CheckKind } from '../contract'
import type { Setup } from '../setup'
import { THUMB_FORM, combineBearings, thumbClearance } from './evaluate'
import { byStrip, points, positionsOf, resultKinds, roles, shellPlaces } from './layout'
import { bearingSteps } from './procedure'

const choosesShells = (setup: Setup) => setup.shells === 'choose'
const byGauges = (setup: Setup) => !byStrip(setup)

/**
 * Oil clearance of plain bearings, mains or rods, at any number of positions: bore with shells and cap torqued, less journal; or by
 * plastic strip. Journal size, out-of-round and taper are judged beside it. Shells are chosen half by half.
 */
export const bearingClearance: CheckKind = {
  id: 'bearing-clearance',
  title: 'Bearing clearance',
  about: 'Plain shells, mains or rods: bore less journal at every position, or plastic strip; shells to choose.',
  plausible: thou(60),
  safety: null,
  setupFields: [
    {
      id: 'bearings',
      kind: 'choice',
      label: 'Bearings',
      options: [
        { value: 'mains', label: 'Mains' },
        { value: 'rods', label: 'Connecting rods' },
      ],
    },
    { id: 'positions', kind: 'count', label: 'How many', least: 1, most: 12 },
    {
      id: 'way',
      kind: 'choice',
      label: 'Measured by',
      options: [
        { value: 'gauges', label: 'Micrometer and bore gauge' },
        { value: 'strip', label: 'Plastic strip' },
      ],
    },
    { id: 'stations', kind: 'count', label: 'Stations along each', least: 1, most: 2, hint: 'two show taper' },
    ...masterFields(byGauges),
    ...heatFields('Block or rods are', byGauges),
    {
      id: 'shells',
      kind: 'choice',
      label: 'Shells',
      options: [
        { value: 'choose', label: 'To be chosen from the drawer, by wall' },
        { value: 'as-fitted', label: 'As fitted: measure and judge only' },
      ],
    },
    {
      id: 'labour',
      kind: 'price',
      label: 'Labour for each bearing opened',
      when: choosesShells,
      free: true,
      hint: 'to compare what can be done',
    },
    { id: 'regrind', kind: 'price', label: 'Price of regrinding the shaft', when: choosesShells, free: true },
    { id: 'grindError', kind: 'length', label: 'Journals are ground to ±', when: choosesShells, least: nm(0), optional: true, free: true },
  ],
  defaultSetup: {
    bearings: 'mains',
    positions: '4',
    way: 'gauges',
    stations: '2',
    ...MASTER_DEFAULTS,
    ...HEAT_DEFAULTS,
    shells: 'choose',
    labour: '',
    regrind: '',
    grindError: '',
  },
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
}
