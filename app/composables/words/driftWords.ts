import { drift, reachOf, type Drift, type Reach, type Service } from '#core/trend/drift'
import { formatChange, formatFigure, unitName, type Unit } from '#core/quantity/figure'
import { METER_NAME, type Meter } from '#core/worksheet/job-facts'
import type { TrendService } from '#shared/record'
import { dayText } from '#core/quantity/day'

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
  const placed = services.map((service): Service & TrendService => ({
    ...service,
    at: by === 'day' ? Date.parse(service.day) / DAY_MS : service.meterReading,
  }))
  const moves = drift(placed)
  if (!moves)
    return services.length < 3
      ? 'Three services are needed to say how it drifts.'
      : 'How it drifts cannot be said: it was not measured as it came in.'
  const words = [headline(moves), rateWords(moves, placed, meter, unit), jumpWords(moves, services, unit)]
  const last = placed.at(-1)!
  const reach = reachOf(moves, last.left!, last)
  if (reach)
    words.push(
      `As it went out last it would reach ${formatFigure(reach.limit, unit, { unit: true, trim: true })} in ${span(reach, meter)}, if it goes on like that: a guess from the past, no promise.`,
    )
  return words.filter(said => said !== '').join(' ')
}

/** Does it move? By the order of the figures, and never more surely than they are known. */
function headline({ eachTime, stretches, p, clear }: Drift): string {
  const way = eachTime === 1 ? 'rose' : eachTime === -1 ? 'fell' : null
  if (p === null) return way ? `It ${way} each time, too few services to tell a drift.` : 'Too few services to tell a drift.'
  const chance = `by chance ${p < 0.001 ? 'under 0.1 %' : percentOf(p)} (Kendall, ${stretches + 1} figures)`
  if (clear) return `It drifts: as much order comes ${chance}.`
  return p <= 0.05
    ? `No drift that can be told: what it moved by is no more than the readings leave open.`
    : `No drift that can be told: as much order comes ${chance}.`
}
const percentOf = (p: number) => `${Number((p * 100).toPrecision(2))} %`

function rateWords({ rate, jump }: Drift, placed: readonly Service[], meter: Meter | null, unit: Unit): string {
  if (!rate) {
    const known = placed.flatMap(({ at }) => (at === null ? [] : [at]))
    const onward = known.slice(1).every((at, i) => at > known[i]!)
    if (onward) return 'How fast cannot be said: too few of them are counted alike.'
    return meter === null
      ? 'How fast cannot be said: several services came in on the same day.'
      : 'How fast cannot be said: the meter stood no higher than at the service before.'
  }
  const per = meter === null ? DAYS_A_YEAR : PER[meter]
  const of = meter === null ? 'a year' : `per ${per.toLocaleString('en-GB')} ${METER_NAME[meter]}`
  const figure = formatFigure(rate.value * per, unit, { sign: true, change: true, decimals: 2 })
  return `${figure} ± ${formatChange(rate.U * per, unit, { decimals: 2 })} ${unitName(unit)} ${of}, at 95 %${jump ? ', without the jump' : ''}.`
}

function jumpWords({ jump }: Drift, services: readonly TrendService[], unit: Unit): string {
  if (!jump) return ''
  const [from, to] = [services[jump.from]!, services[jump.to]!]
  return `Between ${dayText(from.day)} and ${dayText(to.day)} it jumped by ${formatFigure(jump.by, unit, { sign: true, change: true, unit: true })}: that is no more of the same.`
}
