import { groups } from 'd3-array'
import type { Way } from '../../method/way'
import { ways } from '../../method/ways'
import { isValid } from '../../reading/gates'
import { isFigure, isRange, isRepeat, unvoided, type Reading } from '../../reading/reading'
import { signedPlay } from '../../reading/repeat'
import { mean } from '../../reading/statistics'
import { bandOf } from '../../verdict/limits'
import { limitsOf, newerThan, type CheckDocument, type PointReading } from '../document'
import { gaugeOf, readWith } from './gauge-needs'
import { contextAt } from './way-context'
import { checkKind } from '../registry'

/** What repeats say of a gauge: the sum of squares about their means, nm², and its degrees of freedom. Sums of these pool. */
export interface Spread {
  readonly squares: number
  readonly nu: number
}

/** What is averaged of a reading, if anything is: of a torque what keeps it turning. */
const valueOf = (reading: Reading, again: Way['again']): number | null =>
  isRepeat(reading) ? signedPlay(reading) : isFigure(reading) ? reading.figure : isRange(reading) && again === 'repeat' ? reading.low : null

/** Its figure differs from a cold one by the heat of the part, which is nothing of the gauge. */
const wasWarm = (reading: Reading): boolean => isFigure(reading) && (reading.hot === true || reading.celsius !== undefined)

/**
 * What the repeats of one check teach of its gauges: valid series only, each of one fitting, one point and one state of the parts,
 * and only readings that were taken in this workshop and are no copies.
 * @param workshop  its id
 * @returns by gauge
 */
export function spreadsOf(document: CheckDocument, workshop: string): Record<string, Spread> {
  const kind = checkKind(document.kind)
  const points = kind.points(document.setup)
  const spreads: Record<string, Spread> = {}
  for (const trial of document.trials) {
    const own = unvoided(trial.readings).filter(
      reading => reading.taken === `${workshop}/${reading.id}` && reading.gauge !== undefined && !wasWarm(reading),
    )
    for (const [, series] of groups(own, reading => `${reading.point} ${reading.gauge} ${stateOfParts(reading)}`)) {
      const { point: id, gauge: gaugeId } = series[0]!
      const point = points.find(candidate => candidate.id === id)
      if (!point) continue
      const values = series.flatMap(reading => valueOf(reading, ways[point.way].again) ?? [])
      if (ways[point.way].again === 'another' || ways[point.way].newest || values.length < 2 || !valid(series)) continue
      const centre = mean(values)
      const known = spreads[gaugeId!] ?? { squares: 0, nu: 0 }
      spreads[gaugeId!] = {
        squares: known.squares + values.reduce((sum, value) => sum + (value - centre) ** 2, 0),
        nu: known.nu + values.length - 1,
      }
    }
  }
  return spreads

  /** How many changes of what the point rests on came before. */
  function stateOfParts({ point: id, order }: PointReading): number {
    const rests = points.find(point => point.id === id)?.rests ?? []
    return document.partChanges.filter(change => (change.role === '*' || rests.includes(change.role)) && newerThan(order, change.order))
      .length
  }

  function valid(series: readonly PointReading[]): boolean {
    const point = points.find(({ id }) => id === series[0]!.point)!
    const band = bandOf(limitsOf(document, point.result, null).working)
    const { findings } = ways[point.way].answer(
      series,
      contextAt(document, point, { gauge: readWith(document, series) ?? gaugeOf(document, point), band, heat: null, counting: 'smallest' }),
    )
    return isValid(findings)
  }
}
