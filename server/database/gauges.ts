import type { Gauge } from '#core/reading/gauge'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Sql } from './client'

interface GaugeRow { id: string, name: string, unit: string, graduation: number, readable_fraction: number, permissible_error: number, repeatability: number, hysteresis: number, range_per_turn: number | null, last_check: string | null }

const gaugeOf = (row: GaugeRow): Gauge => ({
  id: row.id, name: row.name, kind: 'dial-indicator', unit: row.unit as LengthUnit, graduation: row.graduation as Nm, readableFraction: row.readable_fraction,
  permissibleError: row.permissible_error as Nm, repeatability: row.repeatability as Nm, hysteresis: row.hysteresis as Nm, rangePerTurn: row.range_per_turn as Nm | null, lastCheck: row.last_check,
})

export const allGauges = async (sql: Sql): Promise<Gauge[]> => (await sql.rows<GaugeRow>('SELECT * FROM gauge ORDER BY name, id')).map(gaugeOf)
export const gaugeById = async (sql: Sql, id: string): Promise<Gauge | undefined> => (await sql.rows<GaugeRow>('SELECT * FROM gauge WHERE id = $1', [id])).map(gaugeOf)[0]

/** Adds a gauge; one that is known by its id stays as it is. */
export const insertGauge = (sql: Sql, gauge: Gauge) => sql.rows(
  'INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_per_turn, last_check) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11) ON CONFLICT (id) DO NOTHING',
  [gauge.id, gauge.name, gauge.kind, gauge.unit, gauge.graduation, gauge.readableFraction, gauge.permissibleError, gauge.repeatability, gauge.hysteresis, gauge.rangePerTurn, gauge.lastCheck])
