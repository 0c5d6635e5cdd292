import { formatLength } from '../../quantity/format-length'
import { NM_PER, nm } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import { meanOf, sumOf } from '../../reading/sum'
import type { LimitSet } from '../../verdict/limits'
import { boreFindings, boreFrom } from '../bore-master'
import type { Answers, CombinedResult, Position } from '../contract'
import { diametersOf, largestDifference, meanDiameter } from '../diameters'
import type { Setup } from '../setup'
import { byStrip, diameterPoints, pointId, positionsOf, stationsOf, turnsPoint, zeroPoint } from './layout'

/** Every result of every position; a position that lacks readings gives what it can. */
export const combineBearings = (setup: Setup, answers: Answers): CombinedResult[] =>
  positionsOf(setup).flatMap(position => resultsAt(setup, answers, position))

function resultsAt(setup: Setup, answers: Answers, position: Position): CombinedResult[] {
  const { id } = position
  const journalAt = diameterPoints(setup, 'journal', id)
  const journal = diametersOf(journalAt, answers)
  const journalPoints = journalAt.map(({ point }) => point)
  const result = (kind: string, estimate: Estimate | null, points: readonly string[], formula: string): CombinedResult => ({
    kind,
    position: id,
    estimate,
    points,
    formula,
  })
  const ofJournal = [
    result('journal', meanDiameter(journal, 'journal'), journalPoints, 'mean of the journal’s diameters'),
    result('journal-round', largestDifference(journal, 'direction'), journalPoints, 'largest difference of two directions at one station'),
    result('journal-taper', largestDifference(journal, 'station'), journalPoints, 'largest difference between stations in one direction'),
  ]
  if (byStrip(setup)) return [...stripResults(setup, answers, position), ...ofJournal]

  const boreAt = diameterPoints(setup, 'bore', id)
  const bore = diametersOf(boreAt, answers, reading => boreFrom(reading, setup, answers))
  const borePoints = boreAt.map(({ point }) => point)
  const vertical = bore.filter(({ direction }) => direction === 'A')
  const [hole, shaft] = [meanDiameter(vertical.length > 0 ? vertical : bore, 'bore'), meanDiameter(journal, 'journal')]
  const { drift, missing } = boreFindings(setup, answers, zeroPoint(id), borePoints)
  const clearance =
    hole && shaft
      ? sumOf([
          { name: 'bore', factor: 1, estimate: hole },
          { name: 'journal', factor: -1, estimate: shaft },
        ])
      : null
  return [
    withHand(
      {
        ...result(
          'clearance',
          clearance,
          [...journalPoints, ...borePoints, turnsPoint(id)],
          `bore (${vertical.length > 0 || bore.length === 0 ? 'vertical' : 'as read'}, mean of stations) − journal (mean)`,
        ),
        findings: [...drift, ...missing],
      },
      setup,
      answers,
      id,
    ),
    ...ofJournal,
    {
      ...result('bore-round', largestDifference(bore, 'direction'), borePoints, 'largest difference of two directions at one depth'),
      findings: drift,
    },
    {
      ...result('bore-taper', largestDifference(bore, 'station'), borePoints, 'largest difference between depths in one direction'),
      findings: drift,
    },
  ]
}

function stripResults(setup: Setup, answers: Answers, { id }: Position): CombinedResult[] {
  const points = stationsOf(setup).map(station => pointId('strip', id, '', station))
  const ends = points.flatMap(point => {
    const { estimate } = answers.of(point)
    return estimate ? [{ name: point, estimate }] : []
  })
  const [wide, narrow] = [...ends].sort((a, b) => b.estimate.value - a.estimate.value)
  return [
    withHand(
      {
        kind: 'clearance',
        position: id,
        estimate: ends.length > 0 ? meanOf(ends) : null,
        points: [...points, turnsPoint(id)],
        formula: 'mean of the gaps the strip shows at its ends',
      },
      setup,
      answers,
      id,
    ),
    {
      kind: 'strip-taper',
      position: id,
      estimate:
        wide && narrow
          ? sumOf([
              { ...wide, factor: 1 },
              { ...narrow, factor: -1 },
            ])
          : null,
      points,
      formula: 'difference of the gaps at the ends',
    },
  ]
}

/** The hand beats arithmetic: a shaft that locks is tight, whatever the figures say; figures below zero lock it too. */
function withHand(result: CombinedResult, setup: Setup, answers: Answers, position: string): CombinedResult {
  const cap = setup.bearings === 'rods' ? 'rod' : 'cap'
  const { word } = answers.of(turnsPoint(position))
  const { estimate } = result
  const findings = [...(result.findings ?? [])]
  const show = (value: number) => formatLength(Math.abs(value), answers.unit, { unit: true })
  if (word === 'locks')
    return {
      ...result,
      findings,
      overrule: {
        state: 'below',
        words: `the shaft locks with ${cap} ${position} tight${estimate && estimate.value > 0 ? `: that beats the ${show(estimate.value)} the figures give` : ''}`,
      },
    }
  if (!estimate || estimate.value >= 0) return { ...result, findings }
  if (word === 'turns')
    return {
      ...result,
      findings: [
        ...findings,
        {
          gate: 'hand',
          level: 'fail',
          words: `By the figures the bore is ${show(estimate.value)} smaller than the journal, yet the shaft turns: a size is wrong.`,
        },
      ],
    }
  return {
    ...result,
    findings,
    overrule: { state: 'below', words: `the bore is ${show(estimate.value)} smaller than the journal: it locks` },
  }
}

/** Three quarters of a thou to one thou of clearance per inch of journal. Common practice. */
export function thumbClearance(setup: Setup, answers: Answers): LimitSet | null {
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
