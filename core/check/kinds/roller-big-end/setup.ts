import { NM_PER, nm } from '../../../quantity/length'
import { MASTER_FIELDS, heatFields, masterAsked } from '../../common/bore-master'
import { choice, count, length, readSetup, type Setup, type SetupOf } from '../../setup'

export const FIELDS = {
  rods: count({ label: 'Rods', least: 1, most: 2, initial: 1 }),
  rollers: count({ label: 'Rollers in a set', least: 1, most: 60, initial: 18 }),
  bags: count({ label: 'Bags of rollers', least: 1, most: 8, free: true, initial: 1 }),
  spread: length({ label: 'Spread allowed within a set', least: nm(0), initial: nm(NM_PER.tenth) }),
  judged: choice({
    label: 'Sets are judged by',
    free: true,
    options: [
      { value: 'each', label: 'Every roller of the set' },
      { value: 'sample', label: 'A sample of the bag', hint: 'with what is not known of the others' },
    ],
    initial: 'each',
  }),
  mix: choice({
    label: 'Bags in one set',
    free: true,
    options: [
      { value: 'apart', label: 'Never mixed in a set' },
      { value: 'mixed', label: 'May be mixed, on purpose' },
    ],
    initial: 'apart',
  }),
  ...MASTER_FIELDS,
  ...heatFields('Rods are'),
}
export type RollerSetup = SetupOf<typeof FIELDS>
export const readRollers = (setup: Setup): RollerSetup => readSetup(FIELDS, setup)

/** Sets are not measured whole: a sample of the bag stands for them. */
export const sampled = (setup: RollerSetup): boolean => setup.judged === 'sample'
export const ASKED = { ...masterAsked(), mix: (setup: RollerSetup) => !sampled(setup) }
