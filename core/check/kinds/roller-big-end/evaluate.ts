import { boreSign, dialFigure } from '../../../method/bore-gauge/bore'
import { formatLength } from '../../../quantity/format-length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { sumOf } from '../../../reading/sum'
import type { LimitSet } from '../../../verdict/limits'
import { boreFindings, boreFrom, masterOf } from '../../common/bore-master'
import type { Answers, CombinedResult, Position } from '../../contract'
import { diametersOf, largestDifference, meanDiameter } from '../../common/diameters'
import { NM_PER, nm, thou } from '../../../quantity/length'
import { bagPoint, bagsOf, beforePoints, borePoints, pinPoints, rodsOf, setPoint, zeroPoint } from './layout'
import type { Work } from '../../work'
import { takenSet } from './sets'
import type { RollerSetup } from './setup'

/** Out-of-round of a honed bore: the goal, and from where a rod is a reject. Common practice. nm */
const ROUND_GOAL = 1 * NM_PER.tenth
const ROUND_REJECT = 3 * NM_PER.tenth

const pinOf = (rod: string, answers: Answers) => diametersOf(pinPoints(rod), answers)
const boreOfRod = (setup: RollerSetup, rod: string, answers: Answers) =>
  diametersOf(borePoints(rod), answers, reading => boreFrom(reading, setup, answers, zeroPoint(rod)))
/** The bore as it came, plane by plane: told, never judged with the finished one. */
const boreBefore = (setup: RollerSetup, answers: Answers, rod: string) =>
  diametersOf(beforePoints(rod), answers, reading => boreFrom(reading, setup, answers, zeroPoint(rod)))
const ids = (points: readonly { readonly point: string }[]) => points.map(({ point }) => point)

export const combineRods = (setup: RollerSetup, answers: Answers): CombinedResult[] =>
  rodsOf(setup).flatMap(rod => resultsAt(setup, answers, rod))

const clearanceOf = (bore: Estimate, pin: Estimate, roller: Estimate, word: string) =>
  sumOf([
    { name: 'bore', factor: 1, estimate: bore },
    { name: 'pin', factor: -1, estimate: pin },
    { name: `${word} roller`, factor: -2, estimate: roller },
  ])

/** The least clearance a rod would have in a bore of that size; null without its pin or its set. */
export function leastClearance(setup: RollerSetup, answers: Answers, rod: string, bore: Estimate): Estimate | null {
  const pin = meanDiameter(pinOf(rod, answers), 'pin')
  const largest = takenSet(setup, answers, rod)?.largest
  return pin && largest ? clearanceOf(bore, pin, largest, 'largest') : null
}

function resultsAt(setup: RollerSetup, answers: Answers, { id }: Position): CombinedResult[] {
  const [pin, bore] = [pinOf(id, answers), boreOfRod(setup, id, answers)]
  const [shaft, hole] = [meanDiameter(pin, 'pin'), meanDiameter(bore, 'bore')]
  const set = takenSet(setup, answers, id)
  const { drift, missing } = boreFindings(setup, answers, zeroPoint(id), ids(borePoints(id)))
  // A bag nobody measured gave no roller.
  const bags = bagsOf(setup)
    .map(bagPoint)
    .filter(bag => answers.of(bag).singles !== undefined && answers.of(bag).singles !== null)
  const points = [...ids(pinPoints(id)), ...ids(borePoints(id)), ...bags, setPoint(id)]
  const noSet: Finding[] =
    hole && shaft && !set ? [{ gate: 'set', level: 'note', words: 'No rollers are taken for this rod yet: take a set under Choose.' }] : []
  // Which single roller is doubtful is said where the rollers are; here it would be said once a rod.
  const with_ = (roller: Estimate | null | undefined, kind: string, word: string): CombinedResult => ({
    kind,
    position: id,
    points,
    findings: [...drift, ...missing, ...noSet, ...(set?.findings ?? [])],
    estimate: hole && shaft && roller ? clearanceOf(hole, shaft, roller, word) : null,
    formula: `bore (mean) − pin (mean) − 2 × ${word} roller ${set?.sample ? `to expect in a set, from a sample of ${set.sample}` : 'of the set'}`,
  })
  const round = largestDifference(bore, 'direction')
  const before = boreBefore(setup, answers, id)
  const result = (
    kind: string,
    estimate: Estimate | null,
    from: readonly string[],
    formula: string,
    findings: readonly Finding[] = [],
  ): CombinedResult => ({ kind, position: id, estimate, points: from, formula, findings })
  return [
    with_(set?.largest, 'clearance', 'largest'),
    with_(set?.smallest, 'clearance-most', 'smallest'),
    result('bore-round', round, ids(borePoints(id)), 'largest difference of two directions at one end', [
      ...drift,
      ...roundFinding(round, answers),
    ]),
    result(
      'bore-taper',
      largestDifference(bore, 'station'),
      ids(borePoints(id)),
      'largest difference between the ends in one direction',
      drift,
    ),
    result(
      'before-round',
      largestDifference(before, 'direction'),
      ids(beforePoints(id)),
      'before honing: largest difference of two directions in one plane',
    ),
    result(
      'before-taper',
      largestDifference(before, 'station'),
      ids(beforePoints(id)),
      'before honing: largest difference between planes in one direction',
    ),
    result('pin', shaft, ids(pinPoints(id)), 'mean of the pin’s diameters'),
    result('pin-round', largestDifference(pin, 'direction'), ids(pinPoints(id)), 'largest difference of two directions'),
  ]
}

function roundFinding(round: Estimate | null, { unit }: Answers): Finding[] {
  if (!round || round.value <= ROUND_GOAL + 0.5) return []
  const show = (value: number) => formatLength(value, unit, { unit: true })
  const reject = round.value >= ROUND_REJECT - 0.5
  return [
    {
      gate: 'size',
      level: 'warn',
      words: `Out of round by ${show(round.value)}: ${reject ? `from ${show(ROUND_REJECT)} a rod is a reject` : `the goal is ${show(ROUND_GOAL)}`}, by common practice.`,
    },
  ]
}

/**
 * The size each bore is honed to, and what the dial then shows.
 *
 * The largest roller gives the least clearance, the smallest the most; the middle of the two is brought to the clearance wanted:
 * bore = pin + largest + smallest + wanted. On the dial: less the master, with the sense of the gauge. Common practice.
 */
export function boreWorks(setup: RollerSetup, answers: Answers): Work[] {
  return rodsOf(setup).flatMap(({ id }): Work[] => {
    const pin = meanDiameter(pinOf(id, answers), 'pin')
    const set = takenSet(setup, answers, id)
    if (!pin || !set?.largest || !set.smallest) return []
    const inside = sumOf([
      { name: 'pin', factor: 1, estimate: pin },
      { name: 'largest roller', factor: 1, estimate: set.largest },
      { name: 'smallest roller', factor: 1, estimate: set.smallest },
    ])
    const middle = { result: 'clearance', position: id, reach: set.largest.value - set.smallest.value } as const
    const bore: Work = {
      id: 'bore',
      label: 'Bore to hone to',
      does: 'rework',
      position: id,
      scale: 'size',
      effects: [{ ...middle, zero: inside, slope: 1 }],
      now: null,
      way: { up: 'Still to come off', down: 'Too large by' },
      points: [...ids(pinPoints(id)), setPoint(id)],
      formula: 'pin (mean) + largest + smallest roller + clearance wanted',
    }
    const [master, gauge] = [masterOf(setup, answers), answers.gauge('bore-gauge')]
    if (!master || !gauge) return [bore]
    const slope = boreSign(gauge)
    return [
      bore,
      {
        ...bore,
        id: 'dial',
        label: 'On the dial, bore cold',
        scale: 'play',
        effects: [{ ...middle, zero: { ...inside, value: dialFigure(inside.value - master.size, gauge) }, slope }],
        formula: slope > 0 ? 'bore to hone to − master' : 'master − bore to hone to, for a dial that climbs as the plunger goes in',
      },
    ]
  })
}

/** Where no book has limits: the clearance of road engines, and the goal for out-of-round. Common practice. */
export function thumbLimits(result: string): LimitSet | null {
  if (result === 'clearance')
    return {
      kind: 'two-sided',
      lower: thou(0.9),
      upper: thou(1.2),
      unit: 'thou',
      source: { kind: 'common-practice', text: 'roller big ends for the road: 0.9 to 1.2 thou; for racing 1.5 to 3' },
    }
  return result === 'bore-round'
    ? {
        kind: 'upper',
        upper: nm(ROUND_GOAL),
        unit: 'thou',
        source: { kind: 'common-practice', text: 'out-of-round of a honed bore: 1 tenth; from 3 a reject' },
      }
    : null
}
