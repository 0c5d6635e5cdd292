import { serviceFigures } from '#core/trend/service-figures'
import type { Trend, Trends } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { figuresOfType, figuresOfUnit, keepFigures, type FigureRow } from '../database/trends'
import { unitById } from '../database/units'
import { notFound } from '../http/refuse'
import { loadCheck } from './check-view'

/** Figures that were measured at more than one service come first, then by name. */
export async function trendsOfUnit(sql: Sql, id: string): Promise<Trends> {
  const unit = await unitById(sql, id)
  if (!unit) throw notFound('unit')
  return { title: unit.name, type: unit.type, trends: trendsFrom(await figuresOfUnit(sql, id)) }
}
export const trendsOfType = async (sql: Sql, type: string): Promise<Trends> => ({
  title: type,
  type,
  trends: trendsFrom(await figuresOfType(sql, type)),
})

/** One figure of one check, service by service; each unit has its own line. */
function trendsFrom(rows: readonly FigureRow[]): Trend[] {
  const trends = new Map<string, { head: Omit<Trend, 'units'>; units: Map<string, FigureRow[]> }>()
  for (const row of rows) {
    const key = JSON.stringify([row.kind, row.title.trim().toLowerCase(), row.result])
    const { kind, title, label, measure } = row
    if (!trends.has(key)) trends.set(key, { head: { key, kind, title, label, measure }, units: new Map() })
    const { units } = trends.get(key)!
    units.set(row.unit_id, [...(units.get(row.unit_id) ?? []), row])
  }
  const most = ({ units }: Trend) => Math.max(...units.map(({ services }) => services.length))
  return [...trends.values()]
    .map(({ head, units }): Trend => ({ ...head, units: [...units.values()].map(lineOf) }))
    .sort((a, b) => most(b) - most(a) || a.title.localeCompare(b.title) || a.label.localeCompare(b.label))
}

const lineOf = (rows: readonly FigureRow[]): Trend['units'][number] => ({
  id: rows[0]!.unit_id,
  name: rows[0]!.unit_name,
  meter: rows[0]!.meter,
  services: rows.map(row => ({
    job: { id: row.job_id, title: row.job_title },
    check: row.check_id,
    day: row.day,
    meterReading: row.meter_reading,
    found: row.found === null ? null : { value: row.found, U: row.found_u! },
    left: { value: row.left_at, U: row.left_u },
    state: row.state,
    word: row.word,
    lower: row.lower_end,
    upper: row.upper_end,
    changes: row.changes,
  })),
})

/** Checks that were signed before figures were kept: worked out one by one, others get their turn between. */
export async function learnFigures(db: Database): Promise<void> {
  for (const { id } of await db.rows<{ id: string }>('SELECT id FROM checks WHERE signed AND NOT figures_known ORDER BY id'))
    await db.transaction(async sql => {
      const { document, lots } = await loadCheck(sql, id)
      await keepFigures(sql, id, serviceFigures(document, lots))
      await sql.rows('UPDATE checks SET figures_known = true WHERE id = $1', [id])
    })
}
