import type { JobSummary, StationMark } from '#shared/types'
import type { Sql } from './client'

export interface JobRow {
  id: string
  unit_id: string
  title: string
  notes: string
  version: number
  unit_name: string
  unit_description: string
}

export const jobRow = async (sql: Sql, id: string): Promise<JobRow | undefined> =>
  (
    await sql.rows<JobRow>(
      'SELECT job.*, unit.name AS unit_name, unit.description AS unit_description FROM job JOIN unit ON unit.id = unit_id WHERE job.id = $1',
      [id],
    )
  )[0]

/** Units in the shop by name, each job with the marks of its checks in build order. */
export async function jobSummaries(sql: Sql): Promise<JobSummary[]> {
  const jobs = await sql.rows<JobRow>(
    'SELECT job.*, unit.name AS unit_name, unit.description AS unit_description FROM job JOIN unit ON unit.id = unit_id ORDER BY job.created_at, job.id',
  )
  const stations = await sql.rows<{
    id: string
    job_id: string
    title: string
    kind: string
    state: string
    word: string
    note: string
    figure: number | null
    entry_unit: string
    signed: boolean
  }>(`
    SELECT c.id, c.job_id, c.title, c.kind, c.state, c.word, c.note, c.figure, c.entry_unit,
      EXISTS (SELECT 1 FROM sign_off s WHERE s.check_id = c.id AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id)) AS signed
    FROM checks c ORDER BY c.position, c.id`)
  return jobs.map(job => ({
    id: job.id,
    title: job.title,
    notes: job.notes,
    version: job.version,
    unit: { name: job.unit_name, description: job.unit_description },
    checks: stations
      .filter(s => s.job_id === job.id)
      .map(
        s =>
          ({
            id: s.id,
            title: s.title,
            kind: s.kind,
            state: s.state,
            word: s.word,
            note: s.note,
            figure: s.figure,
            unit: s.entry_unit,
            signed: s.signed,
          }) as StationMark,
      ),
  }))
}

/** A unit of that name, made when there is none yet. */
export async function unitNamed(sql: Sql, id: string, name: string, description: string): Promise<string> {
  const found = await sql.rows<{ id: string }>('SELECT id FROM unit WHERE lower(name) = lower($1)', [name])
  if (found[0]) return found[0].id
  await sql.rows('INSERT INTO unit (id, name, description) VALUES ($1, $2, $3)', [id, name, description])
  return id
}

export const insertJob = (sql: Sql, job: { id: string; unitId: string; title: string; notes: string }) =>
  sql.rows('INSERT INTO job (id, unit_id, title, notes) VALUES ($1, $2, $3, $4)', [job.id, job.unitId, job.title, job.notes])

export const updateJob = (sql: Sql, job: { id: string; title: string; notes: string }) =>
  sql.rows('UPDATE job SET title = $2, notes = $3, version = version + 1 WHERE id = $1', [job.id, job.title, job.notes])
