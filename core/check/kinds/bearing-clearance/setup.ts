import { nm } from '../../../quantity/length'
import { MASTER_FIELDS, heatFields, masterAsked } from '../../common/bore-master'
import { choice, count, length, price, readSetup, type Setup, type SetupOf } from '../../setup'

export const FIELDS = {
  bearings: choice({
    label: 'Bearings',
    options: [
      { value: 'mains', label: 'Mains' },
      { value: 'rods', label: 'Connecting rods' },
    ],
    initial: 'mains',
  }),
  positions: count({ label: 'How many', least: 1, most: 12, initial: 4 }),
  way: choice({
    label: 'Measured by',
    options: [
      { value: 'gauges', label: 'Micrometer and bore gauge' },
      { value: 'strip', label: 'Plastic strip' },
    ],
    initial: 'gauges',
  }),
  stations: count({ label: 'Stations along each', least: 1, most: 2, hint: 'two show taper', initial: 2 }),
  ...MASTER_FIELDS,
  ...heatFields('Block or rods are'),
  shells: choice({
    label: 'Shells',
    options: [
      { value: 'choose', label: 'To be chosen from the drawer, by wall' },
      { value: 'as-fitted', label: 'As fitted: measure and judge only' },
    ],
    initial: 'choose',
  }),
  labour: price({ label: 'Labour for each bearing opened', free: true, hint: 'to compare what can be done' }),
  regrind: price({ label: 'Price of regrinding the shaft', free: true }),
  grindError: length({ label: 'Journals are ground to ±', scale: 'play', least: nm(0), optional: true, free: true }),
}
export type BearingSetup = SetupOf<typeof FIELDS>
export const readBearings = (setup: Setup): BearingSetup => readSetup(FIELDS, setup)

export const byStrip = (setup: BearingSetup): boolean => setup.way === 'strip'
const choosesShells = (setup: BearingSetup) => setup.shells === 'choose'
export const ASKED = {
  ...masterAsked((setup: BearingSetup) => !byStrip(setup)),
  labour: choosesShells,
  regrind: choosesShells,
  grindError: choosesShells,
}
