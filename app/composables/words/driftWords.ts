import { drift, reachOf, type Reach, type Service } from '#core/trend/drift'
import { formatChange, formatFigure, unitName, type Unit } from '#core/quantity/figure'
import { METER_NAME, type Meter } from '#core/worksheet/job-facts'
import type { TrendService } from '#shared/record'

/** So much of the meter, or of time, a rate is told for. */
const PER: Readonly<Record<Meter, number>> = { h: 100, km: 1000, mi: 1000 }
const DAYS_A_YEAR = 365.25
const DAY_MS = 86_400_000

/** A length of time, or of what the meter counts, to two digits: nobody knows it better. */
function about(amount: number, meter: Meter | null): string {
  const round = (value: number) => Number(value.toPrecision(2)).toLocaleString('en-GB')
  if (meter !== null) return `${round(amount)} ${METER_NAME[meter]}`
  return amount >= 2 * DAYS_A_YEAR ? `${round(amount / DAYS_A_YEAR)} years` : `${round(amount)} days`
}

/** `150 to 280 hours`; `at the soonest` where it may never be. */
function span({ soonest, latest }: Reach, meter: Meter | null): string {
  const from = about(soonest, meter)
  if (latest === null) return `${from} at the soonest`
  const to = about(latest, meter)
  const [figure, name] = from.split(' ')
  if (from === to) return `about ${to}`
  return `${to.endsWith(` ${name}`) ? figure : from} to ${to}`
}

/** How a figure drifts from one service to the next, and when it would reach a limit: an interval, never a promise. */
export function driftInWords(services: readonly TrendService[], by: 'meter' | 'day', meter: Meter | null, unit: Unit): string {
  const placed = services.flatMap((service): (Service & TrendService)[] => {
    const at = by === 'day' ? Date.parse(service.day) / DAY_MS : service.meterReading
    return at === null ? [] : [{ ...service, at }]
  })
  const moves = drift(placed)
  if (!moves) {
    if (services.length < 3) return 'Three services are needed to say how it drifts.'
    if (placed.slice(1).some(({ at }, i) => at <= placed[i]!.at))
      return meter === null
        ? 'How it drifts cannot be said: several services came in on the same day.'
        : 'How it drifts cannot be said: the meter stood no higher than at the service before.'
    return 'How it drifts cannot be said: it was not measured as it came in.'
  }
  const per = meter === null ? DAYS_A_YEAR : PER[meter]
  const of = meter === null ? 'a year' : `per ${per.toLocaleString('en-GB')} ${METER_NAME[meter]}`
  const rate = `${formatFigure(moves.rate * per, unit, { sign: true, change: true, decimals: 2 })} ± ${formatChange(moves.U * per, unit, { decimals: 2 })} ${unitName(unit)} ${of}`
  const from = `from ${moves.stretches} stretches between services, at 95 %`
  if (!moves.clear) return `No drift that can be told: ${rate}, ${from}.`
  const last = placed.at(-1)!
  const reach = reachOf(moves, last.left, last)
  const until = reach
    ? ` As it went out last it would reach ${formatFigure(reach.limit, unit, { unit: true, trim: true })} in ${span(reach, meter)}, if it goes on like that: a guess from the past, no promise.`
    : ''
  return `It drifts by ${rate}, ${from}.${until}`
}
