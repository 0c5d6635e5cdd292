import { formatLength } from '../../../quantity/format-length'
import { NM_PER, nm } from '../../../quantity/length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { meanOf, sumOf } from '../../../reading/sum'
import type { LimitSet } from '../../../verdict/limits'
import { boreFindings, boreFrom } from '../../common/bore-master'
import type { Answers, CombinedResult, Position } from '../../contract'
import { diametersOf, largestDifference, meanDiameter, type Diameters } from '../../common/diameters'
import { diameterPoints, pointId, positionsOf, stationsOf, turnsPoint, zeroPoint } from './layout'
import { byStrip, type BearingSetup } from './setup'

/** Every result of every position; a position that lacks readings gives what it can. */
export const combineBearings = (setup: BearingSetup, answers: Answers): CombinedResult[] =>
  positionsOf(setup).flatMap(position => resultsAt(setup, answers, position))

type Sized = Diameters[number]
const least = (sizes: Diameters): Sized | undefined => [...sizes].sort((a, b) => a.estimate.value - b.estimate.value)[0]
const most = (sizes: Diameters): Sized | undefined => [...sizes].sort((a, b) => b.estimate.value - a.estimate.value)[0]
const at = ({ direction, station }: Sized, setup: BearingSetup) =>
  [direction, stationsOf(setup).length > 1 ? station : ''].filter(Boolean).join(' ')

/** A bore less a journal, each at one place: how much room there is there. */
interface Gap {
  readonly estimate: Estimate
  readonly bore: Sized
  readonly journal: Sized
}
function gap(bore: Sized | undefined, journal: Sized | undefined): Gap | null {
  if (!bore || !journal) return null
  const estimate = sumOf([
    { name: 'bore', factor: 1, estimate: bore.estimate },
    { name: 'journal', factor: -1, estimate: journal.estimate },
  ])
  return { estimate, bore, journal }
}

/** The least of the gaps at the stations, and the most. */
const atStations = (setup: BearingSetup, of: (station: string) => Gap | null) => {
  const gaps = stationsOf(setup)
    .flatMap(station => of(station) ?? [])
    .sort((a, b) => a.estimate.value - b.estimate.value)
  return { least: gaps[0] ?? null, most: gaps.at(-1) ?? null }
}

function resultsAt(setup: BearingSetup, answers: Answers, position: Position): CombinedResult[] {
  const { id } = position
  const journalAt = diameterPoints(setup, 'journal', id)
  const journal = diametersOf(journalAt, answers)
  const journalPoints = journalAt.map(({ point }) => point)
  const result = (
    kind: string,
    estimate: Estimate | null,
    points: readonly string[],
    formula: string,
    findings: readonly Finding[] = [],
  ): CombinedResult => ({ kind, position: id, estimate, points, formula, findings })
  const ofJournal = [
    result('journal', meanDiameter(journal, 'journal'), journalPoints, 'mean of the journal’s diameters'),
    result('journal-round', largestDifference(journal, 'direction'), journalPoints, 'largest difference of two directions at one station'),
    result('journal-taper', largestDifference(journal, 'station'), journalPoints, 'largest difference between stations in one direction'),
  ]
  if (byStrip(setup)) return [...stripResults(setup, answers, position), ...ofJournal]

  const boreAt = diameterPoints(setup, 'bore', id)
  const bore = diametersOf(boreAt, answers, reading => boreFrom(reading, setup, answers, zeroPoint(id)))
  const borePoints = boreAt.map(({ point }) => point)
  const { drift, missing } = boreFindings(setup, answers, zeroPoint(id), borePoints)
  const here = (sizes: Diameters, station: string, direction?: string) =>
    sizes.filter(size => size.station === station && (direction === undefined || size.direction === direction))
  // The tightest place may be anywhere round the bore; how open it is, is told square to the split, where shells do not open by design.
  const tight = atStations(setup, station => gap(least(here(bore, station)), most(here(journal, station)))).least
  const across = (direction: string) =>
    atStations(setup, station => gap(most(here(bore, station, direction)), least(here(journal, station)))).most
  const [open, split] = [across('A'), across('B')]
  const hole =
    meanDiameter(
      bore.filter(({ direction }) => direction === 'A'),
      'bore',
    ) ?? meanDiameter(bore, 'bore')
  const shaft = meanDiameter(journal, 'journal')
  const mean =
    hole && shaft
      ? sumOf([
          { name: 'bore', factor: 1, estimate: hole },
          { name: 'journal', factor: -1, estimate: shaft },
        ])
      : null
  const all = [...journalPoints, ...borePoints]
  const of = (found: Gap | null, word: string) =>
    found ? `${word}: bore ${at(found.bore, setup)} − journal ${at(found.journal, setup)}` : `${word} of bore − journal`
  const findings = [...drift, ...missing]
  return [
    withHand(result('clearance', tight?.estimate ?? null, [...all, turnsPoint(id)], of(tight, 'least'), findings), setup, answers, id, {
      smallest: least(bore),
      largest: most(journal),
    }),
    result('clearance-most', open?.estimate ?? null, all, of(open, 'most, square to the split'), findings),
    result('clearance-mean', mean, all, 'bore (square to the split, mean of stations) − journal (mean)', findings),
    result('clearance-split', split?.estimate ?? null, all, of(split, 'most, near the split'), findings),
    ...ofJournal,
    result('bore-round', largestDifference(bore, 'direction'), borePoints, 'largest difference of two directions at one depth', drift),
    result('bore-taper', largestDifference(bore, 'station'), borePoints, 'largest difference between depths in one direction', drift),
  ]
}

function stripResults(setup: BearingSetup, answers: Answers, { id }: Position): CombinedResult[] {
  const points = stationsOf(setup).map(station => ({ point: pointId('strip', id, '', station), station }))
  const ends = points
    .flatMap(({ point, station }) => {
      const { estimate } = answers.of(point)
      return estimate ? [{ name: station, estimate }] : []
    })
    .sort((a, b) => a.estimate.value - b.estimate.value)
  const ids = points.map(({ point }) => point)
  const [narrow, wide] = [ends[0], ends.at(-1)]
  const end = (found: typeof narrow, word: string) =>
    `${word} gap the strip shows${found && points.length > 1 ? `, at the ${found.name}` : ''}`
  const result = (kind: string, estimate: Estimate | null, formula: string): CombinedResult => ({
    kind,
    position: id,
    estimate,
    points: ids,
    formula,
  })
  return [
    withHand(
      { ...result('clearance', narrow?.estimate ?? null, end(narrow, 'least')), points: [...ids, turnsPoint(id)] },
      setup,
      answers,
      id,
    ),
    result('clearance-most', wide?.estimate ?? null, end(wide, 'most')),
    result('clearance-mean', ends.length > 0 ? meanOf(ends) : null, 'mean of the gaps the strip shows at its ends'),
    result(
      'strip-taper',
      narrow && wide && narrow !== wide
        ? sumOf([
            { ...wide, factor: 1 },
            { ...narrow, factor: -1 },
          ])
        : null,
      'difference of the gaps at the ends',
    ),
  ]
}

/** The hand beats arithmetic: a shaft that locks is tight, whatever the figures say; a bore that is nowhere above the journal locks it too. */
function withHand(
  result: CombinedResult,
  setup: BearingSetup,
  answers: Answers,
  position: string,
  { smallest, largest }: { smallest?: Sized | undefined; largest?: Sized | undefined } = {},
): CombinedResult {
  const cap = setup.bearings === 'rods' ? 'rod' : 'cap'
  const { word } = answers.of(turnsPoint(position))
  const { estimate } = result
  const show = (value: number) => formatLength(Math.abs(value), answers.unit, { unit: true })
  if (word === 'locks') {
    const words = `the shaft locks with ${cap} ${position} tight`
    const beaten = estimate && estimate.value > 0 ? `: that beats the ${show(estimate.value)} the figures give` : ''
    return { ...result, atMost: { value: 0, words }, overrule: { state: 'below', words: words + beaten } }
  }
  // Judged as read: half a graduation does not let a shaft in that is as large as its bore.
  if (!smallest || !largest || smallest.estimate.value > largest.estimate.value) return result
  const less = largest.estimate.value - smallest.estimate.value
  const where = `the bore at ${at(smallest, setup)} is ${less === 0 ? 'no larger than' : `${show(less)} smaller than`} the journal at ${at(largest, setup)}`
  if (word === 'turns') {
    const finding: Finding = { gate: 'hand', level: 'fail', words: `By the figures ${where}, yet the shaft turns: a size is wrong.` }
    return { ...result, findings: [...(result.findings ?? []), finding] }
  }
  return { ...result, overrule: { state: 'below', words: `${where}: they cannot go together` } }
}

/** Three quarters of a thou to one thou of clearance per inch of journal. Common practice. */
export function thumbClearance(setup: BearingSetup, answers: Answers): LimitSet | null {
  const journals = positionsOf(setup).flatMap(({ id }) => diametersOf(diameterPoints(setup, 'journal', id), answers))
  if (journals.length === 0) return null
  const diameter = journals.reduce((sum, { estimate }) => sum + estimate.value, 0) / journals.length
  const inches = diameter / NM_PER.in
  const tenths = (thouPerInch: number) => nm(Math.round(inches * thouPerInch * 10) * NM_PER.tenth)
  return {
    kind: 'two-sided',
    lower: tenths(0.75),
    upper: tenths(1),
    unit: 'thou',
    source: { kind: 'common-practice', text: `rule of thumb: 0.75 to 1 thou per inch of journal, ${inches.toFixed(2)} in` },
  }
}

/** Out-of-round and taper of a journal: up to half a thou each. Common practice. */
export const THUMB_FORM: LimitSet = {
  kind: 'upper',
  upper: nm(NM_PER.thou / 2),
  unit: 'thou',
  source: { kind: 'common-practice', text: 'rule of thumb: half a thou out of round or taper' },
}
