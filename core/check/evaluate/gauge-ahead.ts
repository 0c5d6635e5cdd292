import { outOfRange } from '../../method/gauge-range'
import { ways } from '../../method/ways'
import { NO_ANSWER, type PointAnswer } from '../../method/way'
import { quantityOf, systemOf, type Exact } from '../../quantity/figure'
import { nm, NM_PER, type UnitSystem } from '../../quantity/length'
import type { Gauge } from '../../reading/gauge'
import type { Reading } from '../../reading/reading'
import { gaugeFit, type GaugeFit } from '../../verdict/decide'
import { bandOf, endsOf, type LimitSet } from '../../verdict/limits'
import { resultId, type Answers, type CheckKind, type MeasuringPoint } from '../contract'
import { limitsOf, type CheckDocument } from '../document'
import { gaugeOf, needOf } from './gauge-needs'
import type { ResultEvaluation } from './evaluated'
import { contextAt } from './way-context'

/** What a gauge will tell of a figure. */
export interface Foreseen {
  /** expanded uncertainty of the figure, of two readings as good as the gauge is stated to be, in small units of it */
  readonly U: number
  readonly fit: GaugeFit
}

/** Can the gauge in hand decide, before anything is read with it? */
export interface GaugeAhead extends Foreseen {
  /** of the gauges the figure is read with, the one that makes it so wide */
  readonly gauge: Gauge
  /** what the check keeps it under */
  readonly key: string
  readonly band: number
  /** the coarsest graduation that would do, nm; null: none that is made, or it is no length */
  readonly wants: Exact | null
  /** those of the register that tell more, the coarsest that decides first */
  readonly finer: readonly (Foreseen & { readonly gauge: Gauge })[]
}

/** Graduations of dials as they are made (ISO 463 and its inch like, from memory). nm */
const GRADUATIONS: Readonly<Record<UnitSystem, readonly number[]>> = {
  inch: [1, 0.5, 0.1, 0.05, 0.01].map(thou => thou * NM_PER.thou),
  metric: [0.01, 0.005, 0.002, 0.001, 0.0005].map(mm => mm * NM_PER.mm),
}
/** Over a quarter of half the band it is said. */
const ENOUGH = 0.25
/** A gauge that tells hardly more is no finer one. */
const FINER = 0.7

/**
 * What the gauges of a check will tell of a result: its figure as it would come out of two readings at each of its points.
 * @param answers  of the present fitting: what was read already stands
 * @param register  gauges that could be read instead
 * @returns null where no gauge reads it, or its limits are open or not known
 */
export function gaugeAhead(
  document: CheckDocument,
  kind: CheckKind,
  answers: Answers,
  { id, points: ofResult, limits: { working } }: Pick<ResultEvaluation, 'id' | 'points' | 'limits'>,
  register: readonly Gauge[],
): GaugeAhead | null {
  const band = bandOf(working)
  if (band === null || band === 0) return null
  const points = kind.points(document.setup).filter(point => ofResult.includes(point.id))
  const inHand = foresee(document.gauges)
  if (!inHand) return null
  const needs = new Map(points.flatMap(point => (needOf(point) && gaugeOf(document, point) ? [[needOf(point)!.key, point] as const] : [])))
  const each = [...needs].map(([key, point]) => {
    const gauge = gaugeOf(document, point)!
    return { key, gauge, without: foresee({ ...document.gauges, [key]: scaled(gauge, 1e-3) })?.U ?? inHand.U }
  })
  if (each.length === 0) return null
  const { key, gauge } = each.reduce((a, b) => (b.without < a.without ? b : a))
  const finer = register.flatMap(other => {
    if (other.kind !== gauge.kind || other.id === gauge.id || quantityOf(other.unit) !== quantityOf(gauge.unit)) return []
    const { near } = needs.get(key)!
    if (near != null && outOfRange(near, other) !== null) return []
    const seen = foresee({ ...document.gauges, [key]: other })
    return seen && seen.U < FINER * inHand.U ? [{ gauge: other, ...seen }] : []
  })
  const decides = ({ fit }: Foreseen) => (fit.ratio! <= ENOUGH ? 1 : 0)
  finer.sort((a, b) => decides(b) - decides(a) || (decides(a) === 1 ? b.U - a.U : a.U - b.U) || a.gauge.name.localeCompare(b.gauge.name))
  return { ...inHand, gauge, key, band, wants: wanted(), finer }

  /** The coarsest step below the one in hand with which the figure could be told, its errors in proportion. */
  function wanted(): Exact | null {
    if (quantityOf(gauge.unit) !== 'length') return null
    const step = GRADUATIONS[systemOf(gauge.unit)].find(graduation => {
      if (graduation >= gauge.graduation) return false
      const seen = foresee({ ...document.gauges, [key]: scaled(gauge, graduation / gauge.graduation) })
      return seen !== null && seen.fit.ratio! <= ENOUGH
    })
    return step === undefined ? null : nm(Math.round(step))
  }

  function foresee(gauges: CheckDocument['gauges']): Foreseen | null {
    const read: CheckDocument = { ...document, gauges }
    const seen = new Map(points.map(point => [point.id, asRead(read, point, answers)]))
    const combined = kind.combine(document.setup, { ...answers, of: point => seen.get(point) ?? answers.of(point) })
    const U = combined.find(one => resultId(one.kind, one.position) === id)?.estimate?.U
    return U === undefined || !(U > 0) ? null : { U, fit: gaugeFit(U, working) }
  }
}

/** What a point would say, read twice alike. */
function asRead(document: CheckDocument, point: MeasuringPoint, answers: Answers): PointAnswer {
  const way = ways[point.way]
  const gauge = gaugeOf(document, point)
  const said = answers.of(point.id)
  if (!gauge) return said.estimate || said.word ? said : NO_ANSWER
  const near = said.estimate?.value ?? point.near ?? middleOf(limitsOf(document, point.result, null).working)
  const value = nm(Math.round(near))
  const twice = ['1', '2'].flatMap((id): Reading[] => {
    switch (way.entry) {
      case 'travel':
        return [{ id, start: nm(0), far: value, back: nm(0) }]
      case 'figure':
        return [{ id, figure: value }]
      default:
        return []
    }
  })
  if (twice.length === 0) return said
  return way.answer(twice, contextAt(document, point))
}

function middleOf(limits: LimitSet | null): number {
  const ends = endsOf(limits)
  if (!ends) return 0
  return [ends.lower, ends.upper].filter(Number.isFinite).reduce((sum, end, _, all) => sum + end / all.length, 0)
}

/** A gauge like it whose step and errors are so many times as large. */
const scaled = (gauge: Gauge, by: number): Gauge => {
  const of = (value: Exact) => Math.max(0, value * by) as Exact
  return {
    ...gauge,
    graduation: of(gauge.graduation),
    permissibleError: of(gauge.permissibleError),
    repeatability: of(gauge.repeatability),
    hysteresis: of(gauge.hysteresis),
  }
}
