import { refused, type RefusedCommand } from '../command/happening'
import { kitFaults } from '../method/bore-gauge/builder'
import { addDays } from '../quantity/day'
import { exact } from '../quantity/figure'
import { nm } from '../quantity/length'
import { GAUGE_NAME, PLAIN_GAUGE, gaugeFault, hasStandard, readsOf, type Gauge } from '../reading/gauge'
import { type GaugeCheck, type Shop } from './shop'
import { done, faulty, missing, TAKEN, type ShopOutcome } from './outcome'
import type { AddGaugeCommand, ChangeGaugeCommand, CheckGaugeCommand, GaugeFields, KeepKitCommand, ZeroGaugeCommand } from './commands'

/** The fields over what was there. */
function changed(gauge: Gauge, fields: GaugeFields): Gauge | RefusedCommand {
  const given = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<Gauge>
  if (given.range && given.range.high <= given.range.low) return refused('invalid', 'The range must rise.', 'fields.range')
  const next = { ...gauge, ...given, ...(given.name === undefined ? {} : { name: given.name.trim() }) }
  const fault = gaugeFault(next)
  return fault ? refused('invalid', fault.words, `fields.${fault.at}`) : next
}

/** What a gauge is taken to be while nobody says: graduation, permissible error, scatter, in small units. */
const FINENESS = {
  length: { unit: 'mm', graduation: nm(10_000), permissibleError: nm(4_000), repeatability: nm(2_000) },
  torque: { unit: 'N·m', graduation: exact(50_000_000), permissibleError: exact(50_000_000), repeatability: exact(25_000_000) },
  temperature: { unit: '°C', graduation: exact(100_000), permissibleError: exact(1_000_000), repeatability: exact(500_000) },
  force: { unit: 'N', graduation: exact(500_000), permissibleError: exact(250_000), repeatability: exact(250_000) },
} as const

const gaugeIn = ({ gauges }: Shop, id: string) => gauges.find(gauge => gauge.id === id)

export function addGauge(shop: Shop, { id, gauge: kind, fields }: AddGaugeCommand): ShopOutcome {
  if (gaugeIn(shop, id)) return refused('conflict', TAKEN, 'id')
  const plain: Gauge = {
    id,
    name: GAUGE_NAME[kind],
    kind,
    ...FINENESS[readsOf(kind)],
    readableFraction: 0.5,
    hysteresis: nm(0),
    rangePerTurn: null,
    lastCheck: null,
    ...PLAIN_GAUGE,
  }
  const gauge = changed(plain, fields)
  return 'ok' in gauge ? gauge : done([{ subject: id, version: 1, what: 'Gauge entered' }], { type: 'gauge-added', gauge })
}

export function changeGauge(shop: Shop, { gaugeId, fields }: ChangeGaugeCommand): ShopOutcome {
  const gauge = gaugeIn(shop, gaugeId)
  if (!gauge) return missing('gauge')
  const next = changed(gauge, fields)
  if ('ok' in next) return next
  return done([{ subject: gaugeId, version: gauge.version + 1, what: 'Gauge changed' }], { type: 'gauge-changed', gauge: next })
}

export function keepKit(shop: Shop, { gaugeId, kit }: KeepKitCommand): ShopOutcome {
  const gauge = gaugeIn(shop, gaugeId)
  if (!gauge) return missing('gauge')
  if (gauge.kind !== 'bore-gauge') return refused('invalid', 'Only a bore gauge has a kit.')
  const faults = kitFaults(kit)
  if (faults.length > 0) return faulty(faults)
  return done([{ subject: gaugeId, version: gauge.version + 1, what: 'Kit table changed' }], { type: 'kit-kept', gaugeId, kit })
}

/** Before that there was no workshop with this program; after tomorrow nothing was done yet, wherever on earth it is said. */
const FIRST_DAY = '1950-01-01'
const dayFault = (on: string, today: string): RefusedCommand | null => {
  if (on < FIRST_DAY) return refused('invalid', `A day from 1950 on, such as ${today}.`, 'on')
  return on > addDays(today, 1) ? refused('invalid', `That day has not come yet: today is ${today}.`, 'on') : null
}

/** Not a change anybody has to have seen: it is on record, and the version stays. */
export function zeroGauge(shop: Shop, { gaugeId, on, today }: ZeroGaugeCommand): ShopOutcome {
  const gauge = gaugeIn(shop, gaugeId)
  if (!gauge) return missing('gauge')
  const fault = dayFault(on, today)
  if (fault) return fault
  const what = hasStandard(gauge.kind) ? `Tried on its standard on ${on}` : `Zeroed on ${on}`
  return done([{ subject: gaugeId, version: gauge.version, what }], { type: 'gauge-zeroed', gaugeId, on })
}

export function checkGauge(shop: Shop, { op, gaugeId, on, good, note, by, due, today }: CheckGaugeCommand): ShopOutcome {
  const gauge = gaugeIn(shop, gaugeId)
  if (!gauge) return missing('gauge')
  const fault = dayFault(on, today)
  if (fault) return fault
  if (!good && note === '') return refused('invalid', 'Say what was wrong: by how much, and where in its range.', 'note')
  if (due !== null && due < on) return refused('invalid', 'The next check cannot be due before this one.', 'due')
  const before = shop.gaugeChecks[gaugeId] ?? []
  // A gauge whose good check was only a date in the register: that day is where doubt begins.
  const registered: GaugeCheck[] =
    before.length === 0 && gauge.lastCheck !== null && gauge.lastCheck <= on
      ? [{ id: `${op}:before`, on: gauge.lastCheck, good: true, note: 'as the register had it', by: '' }]
      : []
  const check = { id: op, on, good, note, by }
  const last = before[0] && before[0].on > on ? before[0] : check
  return done([{ subject: gaugeId, version: gauge.version + 1, what: good ? `Checked on ${on}: good` : `Found wrong on ${on}: ${note}` }], {
    type: 'gauge-checked',
    gaugeId,
    checks: [...registered, check],
    lastCheck: last.on,
    due,
    foundWrong: last.good ? null : last.on,
  })
}
