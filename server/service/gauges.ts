import { kitFaults } from '#core/method/bore-gauge/builder'
import { exact } from '#core/quantity/figure'
import { nm } from '#core/quantity/length'
import { GAUGE_NAME, PLAIN_GAUGE, gaugeFault, readsOf, type Gauge } from '#core/reading/gauge'
import type { BoreKitDto, GaugeChangeDto, GaugeCheckDto, GaugeFieldsDto, NewGaugeDto, ZeroedDto } from '#shared/dto/gauge'
import type { CommandDto } from '#shared/dto/command'
import type { GaugeRecord } from '#shared/record'
import type { RegisteredGauge } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { isRepeat } from './once'
import {
  allGauges,
  checksOfGauge,
  gaugeById,
  insertGauge,
  insertGaugeCheck,
  keepKit,
  readWith,
  setChecked,
  updateGauge,
} from '../database/gauges'
import { notFound, refuse, refuseAll } from '../http/refuse'
import { assertFresh } from './command'

/** What a gauge may be without: null takes it away. Anything else that is null was not said. */
const MAY_BE_NONE: readonly string[] = ['rangePerTurn', 'range', 'widest', 'lastCheck', 'due']

/** The fields over what was there; a range upside down is refused. */
function changed(gauge: Gauge, fields: GaugeFieldsDto): Gauge {
  const sent = JSON.parse(JSON.stringify(fields)) as Record<string, unknown>
  const given = Object.fromEntries(
    Object.entries(sent).filter(([field, value]) => value !== null || MAY_BE_NONE.includes(field)),
  ) as Partial<Gauge>
  if (given.range && given.range.high <= given.range.low) throw refuse(422, 'The range must rise.', 'fields.range')
  const next = { ...gauge, ...given }
  const fault = gaugeFault(next)
  if (fault) throw refuse(422, fault.words, `fields.${fault.at}`)
  return next
}

/** What a gauge is taken to be while nobody says: graduation, permissible error, scatter, in small units. */
const FINENESS = {
  length: { unit: 'mm', graduation: nm(10_000), permissibleError: nm(4_000), repeatability: nm(2_000) },
  torque: { unit: 'N·m', graduation: exact(50_000_000), permissibleError: exact(50_000_000), repeatability: exact(25_000_000) },
  temperature: { unit: '°C', graduation: exact(100_000), permissibleError: exact(1_000_000), repeatability: exact(500_000) },
  force: { unit: 'N', graduation: exact(500_000), permissibleError: exact(250_000), repeatability: exact(250_000) },
} as const

export const createGauge = (db: Database, dto: NewGaugeDto): Promise<RegisteredGauge[]> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      if (await gaugeById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
      const plain: Gauge = {
        id: dto.id,
        name: GAUGE_NAME[dto.kind],
        kind: dto.kind,
        ...FINENESS[readsOf(dto.kind)],
        readableFraction: 0.5,
        hysteresis: nm(0),
        rangePerTurn: null,
        lastCheck: null,
        ...PLAIN_GAUGE,
      }
      await insertGauge(sql, changed(plain, dto.fields))
      await insertEvent(sql, dto, { subject: dto.id, version: 1, what: 'Gauge entered' })
    }
    return allGauges(sql)
  })

async function commandGauge(
  db: Database,
  id: string,
  command: CommandDto,
  work: (sql: Sql, gauge: RegisteredGauge) => Promise<string>,
): Promise<RegisteredGauge[]> {
  return db.transaction(async sql => {
    const gauge = await gaugeById(sql, id)
    if (!gauge) throw notFound('gauge')
    if (!(await isRepeat(sql, command))) {
      await assertFresh(sql, id, command.version, gauge.version)
      const what = await work(sql, gauge)
      await insertEvent(sql, command, { subject: id, version: gauge.version + 1, what })
    }
    return allGauges(sql)
  })
}

export const changeGauge = (db: Database, id: string, dto: GaugeChangeDto): Promise<RegisteredGauge[]> =>
  commandGauge(db, id, dto, async (sql, gauge) => {
    await updateGauge(sql, changed(gauge, dto.fields))
    return 'Gauge changed'
  })

export const keepBoreKit = (db: Database, id: string, dto: BoreKitDto): Promise<RegisteredGauge[]> =>
  commandGauge(db, id, dto, async (sql, gauge) => {
    if (gauge.kind !== 'bore-gauge') throw refuse(422, 'Only a bore gauge has a kit.')
    const faults = kitFaults(dto)
    if (faults.length > 0) throw refuseAll(faults)
    await keepKit(sql, id, JSON.parse(JSON.stringify({ anvils: dto.anvils, washers: dto.washers })) as BoreKitDto)
    await updateGauge(sql, gauge)
    return 'Kit table changed'
  })

/** Zeroed today, or tried on its standard: not a change anybody has to have seen. */
export const markZeroed = (db: Database, id: string, dto: ZeroedDto): Promise<RegisteredGauge[]> =>
  db.transaction(async sql => {
    const gauge = await gaugeById(sql, id)
    if (!gauge) throw notFound('gauge')
    if (gauge.zeroedOn !== dto.on) await sql.rows('UPDATE gauge SET zeroed_on = $2 WHERE id = $1', [id, dto.on])
    return allGauges(sql)
  })

/** A gauge was checked: good again, or wrong, and then what was read with it since it was last good is in doubt. */
export const recordGaugeCheck = (db: Database, id: string, dto: GaugeCheckDto): Promise<GaugeRecord> =>
  db.transaction(async sql => {
    const gauge = await gaugeById(sql, id)
    if (!gauge) throw notFound('gauge')
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, gauge.version)
      if (!dto.good && !dto.note?.trim()) throw refuse(422, 'Say what was wrong: by how much, and where in its range.', 'note')
      if (dto.due && dto.due < dto.on) throw refuse(422, 'The next check cannot be due before this one.', 'due')
      // A gauge whose good check was only a date in the register: that day is where doubt begins.
      const [newest] = await checksOfGauge(sql, id)
      if (!newest && gauge.lastCheck !== null && gauge.lastCheck <= dto.on)
        await insertGaugeCheck(sql, id, { id: `${dto.op}:before`, on: gauge.lastCheck, good: true, note: 'as the register had it', by: '' })
      await insertGaugeCheck(sql, id, { id: dto.op, on: dto.on, good: dto.good, note: dto.note?.trim() ?? '', by: dto.by.trim() })
      const [last] = await checksOfGauge(sql, id)
      await setChecked(sql, id, last!.on, dto.due ?? null, last!.good ? null : last!.on)
      await insertEvent(
        sql,
        { ...dto, who: dto.by },
        {
          subject: id,
          version: gauge.version + 1,
          what: dto.good ? `Checked on ${dto.on}: good` : `Found wrong on ${dto.on}: ${dto.note!.trim()}`,
        },
      )
    }
    return gaugeRecord(sql, id)
  })

/** When a gauge was checked, and, where it was found wrong, what rests on it. */
export async function gaugeRecord(sql: Sql, id: string): Promise<GaugeRecord> {
  if (!(await gaugeById(sql, id))) throw notFound('gauge')
  const checks = await checksOfGauge(sql, id)
  if (checks[0]?.good !== false) return { checks, doubtful: null }
  const since = checks.find(({ good }) => good)?.on ?? null
  return { checks, doubtful: { since, checks: await readWith(sql, id, since) } }
}
