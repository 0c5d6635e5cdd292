import { groups } from 'd3-array'
import { formatLength } from '../../../quantity/format-length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import type { Answers } from '../../contract'
import { bagPoint, bagsOf, rodsOf, setPoint, sortRules } from './layout'
import { endsFromSample, LEAST_SAMPLE } from './sample'
import { sortRollers, type Roller, type SortedRollers } from './sort-rollers'
import { sampled, type RollerSetup } from './setup'

/** A roller with its figure. */
export interface Measured extends Roller {
  readonly estimate: Estimate
}

/** What a rod runs on. */
export interface TakenSet {
  /** those measured, smallest first: all of the set, or the sample its bag is judged by */
  readonly rollers: readonly Measured[]
  /** null: none of them is measured any more */
  readonly smallest: Estimate | null
  readonly largest: Estimate | null
  /** rollers of the sample, where the set itself was not measured; null: it was */
  readonly sample: number | null
  /** what is wrong with it, and what it rests on */
  readonly findings: readonly Finding[]
}

/** Every roller that was measured, bag by bag; those of bags that were replaced since are no rollers any more. */
export const rollersOf = (setup: RollerSetup, answers: Answers): Measured[] =>
  bagsOf(setup)
    .filter(bag => answers.stale(bagPoint(bag)) === null)
    .flatMap(bag => (answers.of(bagPoint(bag)).singles ?? []).map(({ id, estimate }) => ({ id, bag, size: estimate.value, estimate })))

const bySize = (a: Roller, b: Roller) => a.size - b.size || (a.id < b.id ? -1 : 1)

/** What the rollers could be sorted into, whatever was taken so far. Judged by samples: each bag with enough of them, for any rod. */
export function sortedRollers(setup: RollerSetup, answers: Answers): SortedRollers {
  const rollers = rollersOf(setup, answers)
  return sampled(setup) ? sampledBags(rollers, setup) : sortRollers(rollers, sortRules(setup))
}

function sampledBags(rollers: readonly Measured[], setup: RollerSetup): SortedRollers {
  const { count, rods } = sortRules(setup)
  const sets = groups(rollers, ({ bag }) => bag)
    .filter(([, of]) => of.length >= LEAST_SAMPLE)
    .map(([bag, of]) => {
      const sorted = [...of].sort(bySize)
      return { bag, rollers: sorted, smallest: sorted[0]!.size, largest: sorted.at(-1)!.size }
    })
  const words =
    sets.length === 0
      ? `Measure ${LEAST_SAMPLE} rollers of a bag or more, taken from anywhere in it: they stand for a set of ${count}.`
      : `${sets.map(({ bag, rollers: of }) => `${of.length} rollers stand for bag ${bag}`).join('; ')}: a set of ${count} is judged by its sample.`
  // A bag serves every rod it has rollers for.
  return { sets, possible: sets.length > 0 ? rods : 0, leftover: [], words }
}

/** The rollers taken for a rod, and what is wrong with them; null while none are taken. */
export function takenSet(setup: RollerSetup, answers: Answers, rod: string): TakenSet | null {
  const { taken } = answers.of(setPoint(rod))
  if (!taken || answers.stale(setPoint(rod)) !== null) return null
  const all = rollersOf(setup, answers)
  const rollers = taken.flatMap(id => all.find(roller => roller.id === id) ?? []).sort(bySize)
  if (sampled(setup)) return fromSample(rollers, all, setup, answers)
  const words = faultOfSet(rollers, taken.length, rod, setup, answers)
  return {
    rollers,
    smallest: rollers[0]?.estimate ?? null,
    largest: rollers.at(-1)?.estimate ?? null,
    sample: null,
    findings: words === null ? [] : [{ gate: 'set', level: 'fail', words }],
  }
}

/** @param named  how many were taken, measured still or not */
function faultOfSet(rollers: readonly Measured[], named: number, rod: string, setup: RollerSetup, answers: Answers): string | null {
  const { count, spread, mixed } = sortRules(setup)
  const others = rodsOf(setup)
    .filter(({ id }) => id !== rod)
    .flatMap(({ id }) => answers.of(setPoint(id)).taken ?? [])
  const wide = rollers.length > 0 ? rollers.at(-1)!.size - rollers[0]!.size : 0
  if (rollers.length < named) return 'A roller of this set was struck out since: take the set again.'
  if (rollers.length !== count) return `This set has ${rollers.length} rollers; a rod runs on ${count}.`
  if (rollers.some(roller => others.includes(roller.id))) return 'A roller of this set is also in another rod’s: take the sets again.'
  if (wide > spread + 0.5)
    return `The rollers of this set lie ${formatLength(wide, answers.unit, { unit: true })} apart, more than the spread allows.`
  return !mixed && new Set(rollers.map(roller => roller.bag)).size > 1 ? 'This set mixes bags.' : null
}

/** A set nobody measured whole: all that is measured of its bag by now stands for it. */
function fromSample(named: readonly Measured[], all: readonly Measured[], setup: RollerSetup, answers: Answers): TakenSet {
  const { count, spread } = sortRules(setup)
  const bags = new Set(named.map(({ bag }) => bag))
  const rollers = all.filter(({ bag }) => bags.has(bag)).sort(bySize)
  const show = (value: number) => formatLength(value, answers.unit, { unit: true, fine: true })
  const none = (words: string): TakenSet => ({
    rollers,
    smallest: null,
    largest: null,
    sample: rollers.length,
    findings: [{ gate: 'set', level: 'fail', words }],
  })
  if (bags.size !== 1)
    return none(bags.size === 0 ? 'No roller of this bag is measured any more: take the set again.' : 'This set mixes bags.')
  if (rollers.length < LEAST_SAMPLE)
    return none(
      `A sample needs ${LEAST_SAMPLE} rollers of the bag or more; ${rollers.length} ${rollers.length === 1 ? 'is' : 'are'} measured.`,
    )
  const { smallest, largest } = endsFromSample(
    rollers.map(({ estimate }) => estimate),
    count,
  )
  const seen = rollers.at(-1)!.size - rollers[0]!.size
  const likely = largest.value - smallest.value
  const finding = (level: Finding['level'], words: string): Finding => ({ gate: 'set', level, words })
  const findings =
    seen > spread + 0.5
      ? [finding('fail', `The sample of this bag lies ${show(seen)} apart, more than the ${show(spread)} allowed: measure every roller.`)]
      : [
          finding('note', `Judged by a sample: ${rollers.length} rollers of bag ${[...bags][0]} stand for ${count}.`),
          ...(likely > spread + 0.5
            ? [
                finding(
                  'warn',
                  `A set of ${count} is likely ${show(likely)} apart, more than the ${show(spread)} allowed: measure every roller.`,
                ),
              ]
            : []),
        ]
  return { rollers, smallest, largest, sample: rollers.length, findings }
}

/** The rollers are measured, and a rod that could have its set has none yet. */
export function lacksSets(setup: RollerSetup, answers: Answers): boolean {
  return sortedRollers(setup, answers).possible >= rodsOf(setup).length && rodsOf(setup).some(({ id }) => !takenSet(setup, answers, id))
}
