import { NM_PER, nm, thou } from '../../quantity/length'
import { HEAT_DEFAULTS, heatFields, MASTER_DEFAULTS, masterFields } from '../bore-master'
import type { CheckKind } from '../contract'
import { boreTargets, combineRods, thumbLimits } from './evaluate'
import { honePlan } from './hone-plan'
import { points, resultKinds, roles, rodsOf, sampled } from './layout'
import { nextAtTheRods } from './next'
import { rollerSteps } from './procedure'
import { sortedRollers, takenSet } from './sets'

/**
 * Roller big ends: clearance = bore − pin − 2 × roller. Rollers are measured and sorted into one set a rod, the bore is honed to the
 * size that pin, rollers and the clearance wanted ask for, and the finished bore proves it.
 */
export const rollerBigEnd: CheckKind = {
  id: 'roller-big-end',
  title: 'Roller big end',
  about: 'Crankpin, rollers sorted into sets, bores honed to size: the clearance range of each rod.',
  plausible: thou(60),
  safety: null,
  setupFields: [
    { id: 'rods', kind: 'count', label: 'Rods', least: 1, most: 2 },
    { id: 'rollers', kind: 'count', label: 'Rollers in a set', least: 1, most: 60 },
    { id: 'bags', kind: 'count', label: 'Bags of rollers', least: 1, most: 8, free: true },
    { id: 'spread', kind: 'length', label: 'Spread allowed within a set', least: nm(0) },
    {
      id: 'judged',
      kind: 'choice',
      label: 'Sets are judged by',
      free: true,
      options: [
        { value: 'each', label: 'Every roller of the set' },
        { value: 'sample', label: 'A sample of the bag', hint: 'with what is not known of the others' },
      ],
    },
    {
      id: 'mix',
      kind: 'choice',
      label: 'Bags in one set',
      free: true,
      when: setup => !sampled(setup),
      options: [
        { value: 'apart', label: 'Never mixed in a set' },
        { value: 'mixed', label: 'May be mixed, on purpose' },
      ],
    },
    ...masterFields(),
    ...heatFields('Rods are'),
  ],
  defaultSetup: {
    rods: '1',
    rollers: '18',
    bags: '1',
    spread: String(NM_PER.tenth),
    judged: 'each',
    mix: 'apart',
    ...MASTER_DEFAULTS,
    ...HEAT_DEFAULTS,
  },
  parts: roles,
  results: resultKinds,
  points,
  places: () => [],
  procedure: rollerSteps,
  suspicions: () => [],
  combine: combineRods,
  targets: boreTargets,
  next: nextAtTheRods,
  details: (setup, answers, targets) => ({
    sorting: sortedRollers(setup, answers),
    sets: rodsOf(setup).map(({ id }) => ({
      rod: id,
      rollers: takenSet(setup, answers, id)?.rollers.map(({ id: roller, bag, size }) => ({ id: roller, bag, size })) ?? null,
    })),
    honing: targets
      .filter(target => target.id === 'bore')
      .map(target => ({ rod: target.position, ...honePlan(setup, answers, target.position!, target) })),
  }),
  thumb: (setup, _answers, result) => (rodsOf(setup).length > 0 ? thumbLimits(result) : null),
}
