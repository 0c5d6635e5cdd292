import type { UnitSummary } from '#shared/record'
import type { Meter, UnitFacts } from '#core/worksheet/job-facts'
import type { Sql } from './client'

export interface UnitRow {
  id: string
  name: string
  description: string
  type: string
  meter: Meter | null
  notes: string
  version: number
}
/** What is known of it besides its name; what is not known is left out. */
export const unitFacts = ({ type, meter }: Pick<UnitRow, 'type' | 'meter'>): UnitFacts => ({
  ...(type === '' ? {} : { type }),
  ...(meter === null ? {} : { meter }),
})

export const unitById = async (sql: Sql, id: string) => (await sql.rows<UnitRow>('SELECT * FROM unit WHERE id = $1', [id]))[0]
export const unitByName = async (sql: Sql, name: string) =>
  (await sql.rows<UnitRow>('SELECT * FROM unit WHERE lower(name) = lower($1)', [name]))[0]

/** Those of some names that are there, by the name that was asked for. */
export const unitsByName = async (sql: Sql, names: readonly string[]): Promise<ReadonlyMap<string, UnitRow>> =>
  new Map(
    (
      await sql.rows<UnitRow & { asked: string }>(
        'SELECT u.*, asked FROM unnest($1::text[]) asked JOIN unit u ON lower(u.name) = lower(asked)',
        [names],
      )
    ).map(({ asked, ...unit }) => [asked, unit]),
  )

/** A unit of that name, made when there is none yet; what is not known of it here is taken over. @param seen  it is known to be there */
export async function unitNamed(
  sql: Sql,
  id: string,
  name: string,
  description: string,
  { type, meter }: UnitFacts = {},
  seen?: UnitRow,
): Promise<string> {
  const found = seen ?? (await unitByName(sql, name))
  if (found) {
    if ((type && found.type === '') || (meter && found.meter === null))
      await updateUnit(sql, { ...found, type: found.type || (type ?? ''), meter: found.meter ?? meter ?? null })
    return found.id
  }
  await sql.rows('INSERT INTO unit (id, name, description, type, meter) VALUES ($1, $2, $3, $4, $5)', [
    id,
    name,
    description,
    type ?? '',
    meter ?? null,
  ])
  return id
}

export const updateUnit = (sql: Sql, { id, name, description, type, meter, notes }: Omit<UnitRow, 'version'>) =>
  sql.rows('UPDATE unit SET name=$2, description=$3, type=$4, meter=$5, notes=$6, version = version + 1 WHERE id=$1', [
    id,
    name,
    description,
    type,
    meter,
    notes,
  ])

/** Units with jobs, by name. */
export const allUnits = async (sql: Sql): Promise<UnitSummary[]> =>
  (
    await sql.rows<UnitRow & Pick<UnitSummary, 'jobs' | 'open' | 'last'>>(
      `SELECT unit.*, j.jobs, j.open, j.last FROM unit JOIN (
        SELECT unit_id, count(*)::integer AS jobs, (count(*) FILTER (WHERE open))::integer AS open,
          max(COALESCE(came_in, to_char(created_at, 'YYYY-MM-DD'))) AS last FROM job WHERE removed_at IS NULL GROUP BY unit_id) j
      ON j.unit_id = unit.id ORDER BY lower(unit.name), unit.id`,
    )
  ).map(({ id, name, description, jobs, open, last, ...row }) => ({ id, name, description, ...unitFacts(row), jobs, open, last }))

/** What was replaced or reworked on a unit, the newest first. */
export const changesOnUnit = (sql: Sql, id: string) =>
  sql.rows<{ part: string; job: string; at: Date; reason: string; by: string }>(
    `SELECT part.name AS part, job.title AS job, p.at, p.reason, p.by_name AS by FROM part_change p JOIN part ON part.id = p.part_id
    JOIN job ON job.id = part.job_id WHERE job.unit_id = $1 AND job.removed_at IS NULL ORDER BY p.at DESC, p.id LIMIT 200`,
    [id],
  )
