import { thou } from '../../../quantity/length'
import { defineKind } from '../../define-kind'
import { boreWorks, combineRods, thumbLimits } from './evaluate'
import { honePlan } from './hone-plan'
import { points, resultKinds, roles, rodsOf } from './layout'
import { nextAtTheRods } from './next'
import { rollerSteps } from './procedure'
import { sortedRollers, takenSet } from './sets'
import { ASKED, FIELDS } from './setup'

/**
 * Roller big ends: clearance = bore − pin − 2 × roller. Rollers are measured and sorted into one set a rod, the bore is honed to the
 * size that pin, rollers and the clearance wanted ask for, and the finished bore proves it.
 */
export const rollerBigEnd = defineKind({
  id: 'roller-big-end',
  title: 'Roller big end',
  about: 'Crankpin, rollers sorted into sets, bores honed to size: the clearance range of each rod.',
  under: 'engine',
  by: ['rollers', 'crankpin', 'rod', 'hone', 'motorcycle', 'oversize'],
  plausible: thou(60),
  safety: null,
  closing: 'Before the crank goes in',
  fields: FIELDS,
  asked: ASKED,
  parts: roles,
  results: resultKinds,
  points,
  places: () => [],
  procedure: rollerSteps,
  suspicions: () => [],
  combine: combineRods,
  works: boreWorks,
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
})
