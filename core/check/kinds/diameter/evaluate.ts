import { boreSign, dialFigure } from '../../../method/bore-gauge/bore'
import { formatLength } from '../../../quantity/format-length'
import { nm } from '../../../quantity/length'
import { stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { holeLimits, shaftLimits } from '../../../verdict/iso-286'
import type { LimitSet } from '../../../verdict/limits'
import { boreFindings, boreFrom, masterOf } from '../../common/bore-master'
import type { Answers, CombinedResult } from '../../contract'
import { diametersOf, largestDifference, meanDiameter, type DiameterPoint, type Diameters } from '../../common/diameters'
import type { Work } from '../../work'
import { byGauge, type DiameterSetup } from './setup'

const PLANES = ['A', 'B', 'C', 'D'] as const
const STATIONS = ['1', '2', '3'] as const

/** Every place a diameter is read at, station by station. */
export const placesOf = ({ planes, stations }: DiameterSetup): DiameterPoint[] =>
  STATIONS.slice(0, stations).flatMap(station =>
    PLANES.slice(0, planes).map(direction => ({ direction, station, point: `d-${direction}-${station}` })),
  )
export const ZERO = 'zero'
export const ROUGH = 'rough'

const diameters = (setup: DiameterSetup, answers: Answers): Diameters =>
  diametersOf(placesOf(setup), answers, reading => (byGauge(setup) ? boreFrom(reading, setup, answers, ZERO) : reading))

const end = (all: Diameters, sign: 1 | -1): Estimate | null =>
  all.length === 0 ? null : all.reduce((a, b) => (sign * (b.estimate.value - a.estimate.value) > 0 ? b : a)).estimate

/** Least and most over all places: both have to be in the limits of the size; out-of-round and taper beside them. */
export function combineDiameter(setup: DiameterSetup, answers: Answers): CombinedResult[] {
  const all = diameters(setup, answers)
  const whole = all.length === placesOf(setup).length
  const points = placesOf(setup).map(({ point }) => point)
  const { drift, missing } = byGauge(setup) ? boreFindings(setup, answers, ZERO, points) : { drift: [], missing: [] }
  const result = (kind: string, estimate: Estimate | null, formula: string, findings: readonly Finding[] = []): CombinedResult => ({
    kind,
    position: null,
    estimate: whole ? estimate : null,
    points,
    formula,
    findings,
  })
  const how = byGauge(setup) ? ', each by its master and what the dial shows' : ''
  const found = [...drift, ...missing, ...senseFindings(setup, all, answers)]
  return [
    result('size', end(all, -1), `the least of all places${how}`, found),
    result('size-most', end(all, 1), `the most of all places${how}`, found),
    result('round', largestDifference(all, 'direction'), 'largest difference of two planes at one station'),
    ...(setup.stations > 1 ? [result('taper', largestDifference(all, 'station'), 'largest difference of two stations in one plane')] : []),
    result('mean', meanDiameter(all, 'diameter'), 'mean of all places'),
  ]
}

/** The same diameter roughly by calipers: mirrored about the master it fits, so the dial runs the other way. */
function senseFindings(setup: DiameterSetup, all: Diameters, answers: Answers): Finding[] {
  const rough = answers.of(ROUGH).estimate
  const mean = meanDiameter(all, 'diameter')
  if (!rough || !mean) return []
  const off = (value: number) => Math.abs(rough.value - value)
  if (off(mean.value) <= rough.U + mean.U) return []
  const show = (value: number) => formatLength(value, answers.unit, { unit: true, fine: true })
  const mirrored = setup.master !== null && byGauge(setup) ? 2 * setup.master - mean.value : null
  return [
    {
      gate: 'size',
      level: 'fail',
      words:
        mirrored !== null && off(mirrored) <= rough.U + mean.U
          ? `Roughly it is ${show(rough.value)}: the dial’s sense is the other way round, in the register it climbs ${boreSign(answers.gauge('bore-gauge')!) < 0 ? 'as the plunger goes in' : 'as it comes out'}.`
          : `Roughly it is ${show(rough.value)}, and it comes to ${show(mean.value)}: a whole turn of the gauge, or the wrong master?`,
    },
  ]
}

/** The size to work to, and what the dial then shows. A bore only grows, a shaft only shrinks. */
export function sizeWorks(setup: DiameterSetup, answers: Answers): Work[] {
  if (setup.work !== 'sized') return []
  const all = diameters(setup, answers)
  const bore = setup.part === 'bore'
  const size: Work = {
    id: 'size',
    label: bore ? 'Hone it to' : 'Bring it down to',
    does: 'rework',
    position: null,
    scale: 'size',
    effects: [{ result: 'size', position: null, zero: stated(0, []), slope: 1 }],
    // Where most is left: the tightest place of a bore, the thickest of a shaft.
    now: all.length === placesOf(setup).length ? end(all, bore ? -1 : 1) : null,
    way: bore ? { up: 'Still to come off', down: 'Too large already, by' } : { up: 'Too small already, by', down: 'Still to come off' },
    points: placesOf(setup).map(({ point }) => point),
    formula: 'by the limits and the aim',
    note: 'Worked on, it is noted under parts; then every place is read again.',
  }
  const [master, gauge] = [masterOf(setup, answers), answers.gauge('bore-gauge')]
  if (!byGauge(setup) || !master || !gauge) return [size]
  const { note: _, ...plain } = size
  return [
    size,
    {
      ...plain,
      id: 'dial',
      label: 'On the dial, cold',
      scale: 'play',
      effects: [{ result: 'size', position: null, zero: stated(dialFigure(-master.size, gauge), []), slope: boreSign(gauge) }],
      now: null,
      formula: boreSign(gauge) > 0 ? 'size − master' : 'master − size, for a dial that climbs as the plunger goes in',
    },
  ]
}

/** Limits of the class at the nominal size (ISO 286), offered where none were typed. */
export function classLimits({ part, nominal, hole, shaft }: DiameterSetup, _answers: Answers, result: string): LimitSet | null {
  if (result !== 'size' || nominal === null) return null
  const of = part === 'bore' ? hole : shaft
  if (of === 'none') return null
  const deviations = part === 'bore' ? holeLimits(nominal, of as never) : shaftLimits(nominal, of as never)
  return deviations
    ? {
        kind: 'two-sided',
        lower: nm(nominal + deviations.lower),
        upper: nm(nominal + deviations.upper),
        unit: 'mm',
        source: { kind: 'common-practice', text: `ISO 286 ${of} at ${formatLength(nominal, 'mm', { unit: true, trim: true })}` },
      }
    : null
}
