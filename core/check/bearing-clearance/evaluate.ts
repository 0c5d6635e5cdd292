import { formatLength } from '../../quantity/format-length'
import { NM_PER, nm } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { meanOf, sumOf } from '../../reading/sum'
import type { LimitSet } from '../../verdict/limits'
import { boreOf, micrometerMaster, ringMaster, zeroDrift, type Master } from '../../method/bore-gauge/bore'
import type { Answers, CombinedResult, Position } from '../contract'
import { lengthIn, type Setup } from '../setup'
import { byStrip, DIRECTIONS, pointId, positionsOf, stationsOf, turnsPoint, zeroPoint } from './layout'

/** What a ring master is known to where nothing is stated, half-width, nm. Common practice. */
const RING_UNCERTAINTY = 1_000

type Grid = { readonly direction: string, readonly station: string, readonly point: string, readonly estimate: Estimate }[]

/** Every result of every position; a position that lacks readings gives what it can. */
export const combineBearings = (setup: Setup, answers: Answers): CombinedResult[] => positionsOf(setup).flatMap(position => resultsAt(setup, answers, position))

/** The master the bore gauge was zeroed in: a ring of known size, or the micrometer itself, whose own error then cancels. */
function masterOf(setup: Setup, answers: Answers): Master | null {
  const size = lengthIn(setup, 'master')
  if (size === null) return null
  const micrometer = answers.gauge('micrometer')
  if (setup.zeroedIn === 'micrometer') return micrometer ? micrometerMaster(size, micrometer) : null
  return ringMaster(size, lengthIn(setup, 'masterError') ?? RING_UNCERTAINTY)
}

function gridOf(setup: Setup, answers: Answers, part: 'journal' | 'bore', position: string, asSize: (reading: Estimate) => Estimate | null): Grid {
  return stationsOf(setup).flatMap(station => DIRECTIONS.flatMap((direction) => {
    const point = pointId(part, position, direction, stationsOf(setup).length > 1 ? station : '')
    const reading = answers.of(point).estimate
    const estimate = reading && asSize(reading)
    return estimate ? [{ direction, station, point, estimate }] : []
  }))
}
const mean = (grid: Grid, name: string): Estimate | null => (grid.length === 0 ? null : meanOf(grid.map(({ direction, station, estimate }) => ({ name: `${name} ${direction} ${station}`, estimate }))))

/** Largest difference between two of a kind: of directions at one station, or of stations in one direction. */
function largestDifference(grid: Grid, along: 'direction' | 'station'): Estimate | null {
  const across = along === 'direction' ? 'station' : 'direction'
  const pairs = grid.flatMap((a, i) => grid.slice(i + 1).filter(b => b[across] === a[across]).map(b => (a.estimate.value >= b.estimate.value ? [a, b] as const : [b, a] as const)))
  const worst = pairs.sort((a, b) => (b[0].estimate.value - b[1].estimate.value) - (a[0].estimate.value - a[1].estimate.value))[0]
  return worst ? sumOf([{ name: worst[0][along], factor: 1, estimate: worst[0].estimate }, { name: worst[1][along], factor: -1, estimate: worst[1].estimate }]) : null
}

function resultsAt(setup: Setup, answers: Answers, position: Position): CombinedResult[] {
  const { id } = position
  const journal = gridOf(setup, answers, 'journal', id, reading => reading)
  const journalPoints = stationsOf(setup).flatMap(station => DIRECTIONS.map(direction => pointId('journal', id, direction, stationsOf(setup).length > 1 ? station : '')))
  const result = (kind: string, estimate: Estimate | null, points: readonly string[], formula: string): CombinedResult => ({ kind, position: id, estimate, points, formula })
  const ofJournal = [
    result('journal', mean(journal, 'journal'), journalPoints, 'mean of the journal’s diameters'),
    result('journal-round', largestDifference(journal, 'direction'), journalPoints, 'largest difference of two directions at one station'),
    result('journal-taper', largestDifference(journal, 'station'), journalPoints, 'largest difference between stations in one direction'),
  ]
  if (byStrip(setup)) return [...stripResults(setup, answers, position), ...ofJournal]

  const gauge = answers.gauge('bore-gauge')
  const master = masterOf(setup, answers)
  const bore = gridOf(setup, answers, 'bore', id, reading => (master && gauge ? boreOf(reading, master, gauge) : null))
  const borePoints = stationsOf(setup).flatMap(station => DIRECTIONS.map(direction => pointId('bore', id, direction, stationsOf(setup).length > 1 ? station : '')))
  const vertical = bore.filter(({ direction }) => direction === 'A')
  const [hole, shaft] = [mean(vertical.length > 0 ? vertical : bore, 'bore'), mean(journal, 'journal')]
  const drift = gauge ? zeroDrift(answers.of(zeroPoint(id)), gauge) : []
  const read = borePoints.some(point => answers.of(point).estimate !== null)
  const missing: Finding[] = read && !master ? [{ gate: 'size', level: 'fail', words: setup.zeroedIn === 'micrometer' && !answers.gauge('micrometer') ? 'There is no micrometer in use: the master’s size rests on it.' : 'The master has no size yet: give its actual size in Set up, then the bores can be reckoned.' }] : []
  const clearance = hole && shaft ? sumOf([{ name: 'bore', factor: 1, estimate: hole }, { name: 'journal', factor: -1, estimate: shaft }]) : null
  return [
    withHand({ ...result('clearance', clearance, [...journalPoints, ...borePoints, turnsPoint(id)], `bore (${vertical.length > 0 || bore.length === 0 ? 'vertical' : 'as read'}, mean of stations) − journal (mean)`), findings: [...drift, ...missing] }, setup, answers, id),
    ...ofJournal,
    { ...result('bore-round', largestDifference(bore, 'direction'), borePoints, 'largest difference of two directions at one depth'), findings: drift },
    { ...result('bore-taper', largestDifference(bore, 'station'), borePoints, 'largest difference between depths in one direction'), findings: drift },
  ]
}

function stripResults(setup: Setup, answers: Answers, { id }: Position): CombinedResult[] {
  const points = stationsOf(setup).map(station => pointId('strip', id, '', station))
  const ends = points.flatMap((point) => {
    const { estimate } = answers.of(point)
    return estimate ? [{ name: point, estimate }] : []
  })
  const [wide, narrow] = [...ends].sort((a, b) => b.estimate.value - a.estimate.value)
  return [
    withHand({ kind: 'clearance', position: id, estimate: ends.length > 0 ? meanOf(ends) : null, points: [...points, turnsPoint(id)], formula: 'mean of the gaps the strip shows at its ends' }, setup, answers, id),
    { kind: 'strip-taper', position: id, estimate: wide && narrow ? sumOf([{ ...wide, factor: 1 }, { ...narrow, factor: -1 }]) : null, points, formula: 'difference of the gaps at the ends' },
  ]
}

/** The hand beats arithmetic: a shaft that locks is tight, whatever the figures say; figures below zero lock it too. */
function withHand(result: CombinedResult, setup: Setup, answers: Answers, position: string): CombinedResult {
  const cap = setup.bearings === 'rods' ? 'rod' : 'cap'
  const { word } = answers.of(turnsPoint(position))
  const { estimate } = result
  const findings = [...result.findings ?? []]
  const show = (value: number) => formatLength(Math.abs(value), answers.unit, { unit: true })
  if (word === 'locks') return { ...result, findings, overrule: { state: 'below', words: `the shaft locks with ${cap} ${position} tight${estimate && estimate.value > 0 ? `: that beats the ${show(estimate.value)} the figures give` : ''}` } }
  if (!estimate || estimate.value >= 0) return { ...result, findings }
  if (word === 'turns') return { ...result, findings: [...findings, { gate: 'hand', level: 'fail', words: `By the figures the bore is ${show(estimate.value)} smaller than the journal, yet the shaft turns: a size is wrong.` }] }
  return { ...result, findings, overrule: { state: 'below', words: `the bore is ${show(estimate.value)} smaller than the journal: it locks` } }
}

/** Three quarters of a thou to one thou of clearance per inch of journal. Common practice. */
export function thumbClearance(setup: Setup, answers: Answers): LimitSet | null {
  const journals = positionsOf(setup).flatMap(({ id }) => gridOf(setup, answers, 'journal', id, reading => reading))
  if (journals.length === 0) return null
  const diameter = journals.reduce((sum, { estimate }) => sum + estimate.value, 0) / journals.length
  const inches = diameter / NM_PER.in
  const tenths = (thouPerInch: number) => nm(Math.round(inches * thouPerInch * 10) * NM_PER.tenth)
  return { kind: 'two-sided', lower: tenths(0.75), upper: tenths(1), unit: 'thou', source: { kind: 'common-practice', text: `rule of thumb: 0.75 to 1 thou per inch of journal, ${inches.toFixed(2)} in` } }
}
