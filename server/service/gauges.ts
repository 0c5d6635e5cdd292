import type { BoreKitDto, GaugeChangeDto, GaugeCheckDto, NewGaugeDto, ZeroedDto } from '#shared/dto/gauge'
import type { CommandDto } from '#shared/dto/command'
import type { GaugeRecord } from '#shared/record'
import type { RegisteredGauge } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { checksOfGauge, gaugeById, readWith } from '../database/gauges'
import { notFound } from '../http/refuse'
import { asSent, commandShop, type ShopBody } from './shop'

/** By this machine’s clock. */
const today = (): string => new Date().toISOString().slice(0, 10)
async function registerWith(sql: Sql, id: string) {
  const gauge = await gaugeById(sql, id)
  return { gauges: gauge ? [gauge] : [], gaugeChecks: { [id]: await checksOfGauge(sql, id) } }
}
/** A gauge as it is after the write. */
const kept = (id: string) => async (sql: Sql) => {
  const gauge = await gaugeById(sql, id)
  if (!gauge) throw notFound('gauge')
  return gauge
}
const onGauge = (db: Database, id: string, dto: CommandDto, body: ShopBody): Promise<RegisteredGauge> =>
  commandShop(db, dto, sql => registerWith(sql, id), body, kept(id), { id, version: dto.version })

export const createGauge = (db: Database, dto: NewGaugeDto): Promise<RegisteredGauge> => {
  const body: ShopBody = { kind: 'add-gauge', id: dto.id, gauge: dto.kind, fields: asSent(dto.fields) }
  return commandShop(db, dto, sql => registerWith(sql, dto.id), body, kept(dto.id))
}

export const changeGauge = (db: Database, id: string, dto: GaugeChangeDto): Promise<RegisteredGauge> =>
  onGauge(db, id, dto, { kind: 'change-gauge', gaugeId: id, fields: asSent(dto.fields) })

export const keepBoreKit = (db: Database, id: string, { anvils, washers, ...dto }: BoreKitDto): Promise<RegisteredGauge> =>
  onGauge(db, id, dto, { kind: 'keep-kit', gaugeId: id, kit: asSent({ anvils, washers }) })

/** Zeroed, or tried on its standard: not a change anybody has to have seen. */
export const markZeroed = (db: Database, id: string, dto: ZeroedDto): Promise<RegisteredGauge> =>
  commandShop(db, dto, sql => registerWith(sql, id), { kind: 'zero-gauge', gaugeId: id, on: dto.on, today: today() }, kept(id))

export const recordGaugeCheck = (db: Database, id: string, dto: GaugeCheckDto): Promise<GaugeRecord> => {
  const { on, good, due } = dto
  const [by, note] = [dto.by.trim(), dto.note?.trim() ?? '']
  const body: ShopBody = { kind: 'check-gauge', gaugeId: id, on, good, note, by, due: due ?? null, today: today() }
  const { op, content, version } = dto
  return commandShop(
    db,
    { op, content, who: by },
    sql => registerWith(sql, id),
    body,
    sql => gaugeRecord(sql, id),
    { id, version },
  )
}

/** When a gauge was checked, and, where it was found wrong, what rests on it. */
export async function gaugeRecord(sql: Sql, id: string): Promise<GaugeRecord> {
  if (!(await gaugeById(sql, id))) throw notFound('gauge')
  const checks = await checksOfGauge(sql, id)
  if (checks[0]?.good !== false) return { checks, doubtful: null }
  const since = checks.find(({ good }) => good)?.on ?? null
  return { checks, doubtful: { since, checks: await readWith(sql, id, since) } }
}
