import type { ServiceFigure } from '#core/trend/service-figures'
import type { Meter } from '#core/worksheet/job-facts'
import { insertRows } from './bulk'
import type { Sql } from './client'

/** Figures of a check as rows. */
export const figureRows = (checkId: string, figures: readonly ServiceFigure[]) =>
  figures.map(({ result, label, measure, found, left, state, word, lower, upper }) => ({
    check_id: checkId,
    result,
    label,
    measure,
    found: found?.value ?? null,
    found_u: found?.U ?? null,
    left_at: left.value,
    left_u: left.U,
    state,
    word,
    lower_end: lower,
    upper_end: upper,
  }))

/** A check has these figures and no others; none: it is not signed. */
export async function keepFigures(sql: Sql, checkId: string, figures: readonly ServiceFigure[]): Promise<void> {
  await sql.rows('DELETE FROM service_figure WHERE check_id = $1', [checkId])
  await insertRows(sql, 'service_figure', figureRows(checkId, figures))
}

export interface FigureRow {
  check_id: string
  kind: string
  title: string
  job_id: string
  job_title: string
  unit_id: string
  unit_name: string
  meter: Meter | null
  day: string
  meter_reading: number | null
  result: string
  label: string
  measure: ServiceFigure['measure']
  found: number | null
  found_u: number | null
  left_at: number
  left_u: number
  state: ServiceFigure['state']
  word: string
  lower_end: number | null
  upper_end: number | null
  changes: string[]
}
/** Figures of every service of some units, the oldest first. `changes`: what was replaced of what the check rests on. */
const FIGURES = `SELECT c.id AS check_id, c.kind, c.title, job.id AS job_id, job.title AS job_title, unit.id AS unit_id, unit.name AS unit_name, unit.meter,
    COALESCE(job.came_in, to_char(job.created_at, 'YYYY-MM-DD')) AS day, job.meter_reading, f.result, f.label, f.measure, f.found, f.found_u, f.left_at, f.left_u,
    f.state, f.word, f.lower_end, f.upper_end,
    COALESCE((SELECT json_agg(DISTINCT part.name || ': ' || p.reason) FROM check_part b JOIN part_change p ON p.part_id = b.part_id JOIN part ON part.id = b.part_id
      WHERE b.check_id = c.id), '[]') AS changes
  FROM service_figure f JOIN checks c ON c.id = f.check_id JOIN job ON job.id = c.job_id JOIN unit ON unit.id = job.unit_id
  WHERE c.removed_at IS NULL AND job.removed_at IS NULL AND`
const ORDER = 'ORDER BY day, job.created_at, job.id, c.position, c.id, f.result'

export const figuresOfUnit = (sql: Sql, unitId: string) => sql.rows<FigureRow>(`${FIGURES} unit.id = $1 ${ORDER}`, [unitId])
/** Of all units of a type. */
export const figuresOfType = (sql: Sql, type: string) =>
  sql.rows<FigureRow>(`${FIGURES} lower(unit.type) = lower($1) AND unit.type <> '' ${ORDER}`, [type])

/** Figures of the newest signed check of the same kind and name on the same unit, in a job before this one’s. */
export const lastFigures = (sql: Sql, checkId: string) =>
  sql.rows<FigureRow>(
    `${FIGURES} c.id = (SELECT o.id FROM checks c JOIN job ON job.id = c.job_id JOIN job j ON j.unit_id = job.unit_id AND j.id <> job.id AND j.removed_at IS NULL
      JOIN checks o ON o.job_id = j.id WHERE c.id = $1 AND o.removed_at IS NULL AND o.signed AND o.kind = c.kind AND lower(o.title) = lower(c.title)
        AND (COALESCE(j.came_in, to_char(j.created_at, 'YYYY-MM-DD')), j.created_at) < (COALESCE(job.came_in, to_char(job.created_at, 'YYYY-MM-DD')), job.created_at)
      ORDER BY COALESCE(j.came_in, to_char(j.created_at, 'YYYY-MM-DD')) DESC, j.created_at DESC, o.id LIMIT 1) ${ORDER}`,
    [checkId],
  )
