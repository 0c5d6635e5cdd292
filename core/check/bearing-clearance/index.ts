import { nm, thou } from '../../quantity/length'
import type { CheckKind } from '../contract'
import type { Setup } from '../setup'
import { combineBearings, thumbClearance } from './evaluate'
import { byStrip, points, positionsOf, resultKinds, roles, shellPlaces } from './layout'
import { bearingSteps } from './procedure'

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
    { id: 'bearings', kind: 'choice', label: 'Bearings', options: [{ value: 'mains', label: 'Mains' }, { value: 'rods', label: 'Connecting rods' }] },
    { id: 'positions', kind: 'count', label: 'How many', least: 1, most: 12 },
    { id: 'way', kind: 'choice', label: 'Measured by', options: [{ value: 'gauges', label: 'Micrometer and bore gauge' }, { value: 'strip', label: 'Plastic strip' }] },
    { id: 'stations', kind: 'count', label: 'Stations along each', least: 1, most: 2, hint: 'two show taper' },
    { id: 'zeroedIn', kind: 'choice', label: 'Bore gauge zeroed in', when: byGauges, free: true, options: [{ value: 'ring', label: 'A ring master' }, { value: 'micrometer', label: 'The same micrometer', hint: 'its error cancels' }] },
    { id: 'master', kind: 'length', label: 'Actual size of the master', when: byGauges, least: nm(1), optional: true, free: true },
    { id: 'masterError', kind: 'length', label: 'Its size is known to ±', when: setup => byGauges(setup) && setup.zeroedIn === 'ring', least: nm(0), optional: true, free: true },
    { id: 'shells', kind: 'choice', label: 'Shells', options: [{ value: 'choose', label: 'To be chosen from the drawer, by wall' }, { value: 'as-fitted', label: 'As fitted: measure and judge only' }] },
  ],
  defaultSetup: { bearings: 'mains', positions: '4', way: 'gauges', stations: '2', zeroedIn: 'ring', master: '', masterError: '', shells: 'choose' },
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
  thumb: (setup, answers, result) => (result === 'clearance' && positionsOf(setup).length > 0 ? thumbClearance(setup, answers) : null),
}
