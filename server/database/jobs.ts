import type { Waiting } from '#core/pack/order-list'
import type { JobFacts, Meter, MeterReading, Stage } from '#core/worksheet/job-facts'
import type { DatedJob, JobSummary, JobView, ListState, StationMark } from '#shared/types'
import type { Sql } from './client'
import { waitingChecks } from './orders'
import { unitFacts } from './units'

export interface JobRow {
  id: string
  unit_id: string
  title: string
  notes: string
  version: number
  reference: string
  came_in: string | null
  promised: string | null
  handed_over: string | null
  meter_reading: number | null
  stage: Stage
  created_at: Date
  unit_name: string
  unit_description: string
  unit_type: string
  unit_meter: Meter | null
}
export const JOB_COLUMNS =
  'job.*, unit.name AS unit_name, unit.description AS unit_description, unit.type AS unit_type, unit.meter AS unit_meter'
const WITH_UNIT = `SELECT ${JOB_COLUMNS} FROM job JOIN unit ON unit.id = unit_id WHERE job.removed_at IS NULL`

/** What is known of a job; what is not known is left out. */
export const jobFacts = (job: JobRow): JobFacts => ({
  ...(job.reference === '' ? {} : { reference: job.reference }),
  ...(job.came_in === null ? {} : { cameIn: job.came_in }),
  ...(job.promised === null ? {} : { promised: job.promised }),
  ...(job.handed_over === null ? {} : { handedOver: job.handed_over }),
  ...(job.meter_reading === null ? {} : { meterReading: job.meter_reading }),
  ...(job.stage === 'in-work' ? {} : { stage: job.stage }),
})
export const unitOfJob = (job: JobRow): JobSummary['unit'] => ({
  id: job.unit_id,
  name: job.unit_name,
  description: job.unit_description,
  ...unitFacts({ type: job.unit_type, meter: job.unit_meter }),
})

export const jobRow = async (sql: Sql, id: string): Promise<JobRow | undefined> =>
  (await sql.rows<JobRow>(`${WITH_UNIT} AND job.id = $1`, [id]))[0]

/** Is the id taken, by a job that is there or one that was removed? */
export const jobKnown = async (sql: Sql, id: string): Promise<boolean> =>
  (await sql.rows('SELECT 1 FROM job WHERE id = $1', [id])).length > 0

export interface StationRow {
  id: string
  job_id: string
  title: string
  kind: string
  state: ListState
  word: string
  note: string
  figure: number | null
  measure: StationMark['measure']
  entry_unit: StationMark['unit']
  signed: boolean
  accepted: boolean
  pending: number
}
export const STATION =
  'c.id, c.job_id, c.title, c.kind, c.state, c.word, c.note, c.figure, c.measure, c.entry_unit, c.signed, c.accepted, c.pending'

export const stationOf = (row: StationRow, waiting: Waiting | null): StationMark => ({
  id: row.id,
  title: row.title,
  kind: row.kind,
  // What a name stands for outside the limits is neither in them nor waiting.
  state: row.accepted && row.state !== 'in' ? 'accepted' : row.state,
  word: row.accepted && row.state !== 'in' ? `${row.word}, accepted with reason` : row.word,
  note: row.note,
  figure: row.figure,
  measure: row.measure,
  unit: row.entry_unit,
  signed: row.signed,
  pending: row.pending,
  waiting,
})

export async function stationsOf(sql: Sql, jobIds: readonly string[]): Promise<Map<string, StationMark[]>> {
  const rows = await sql.rows<StationRow>(
    `SELECT ${STATION} FROM checks c WHERE c.job_id = ANY($1) AND c.removed_at IS NULL ORDER BY c.position, c.id`,
    [jobIds],
  )
  const stations = new Map<string, StationMark[]>(jobIds.map(id => [id, []]))
  const waiting = await waitingChecks(sql, jobIds)
  for (const row of rows) stations.get(row.job_id)!.push(stationOf(row, waiting.get(row.id) ?? null))
  return stations
}

export const summaryOf = (job: JobRow, checks: readonly StationMark[]): JobSummary => ({
  id: job.id,
  title: job.title,
  notes: job.notes,
  version: job.version,
  ...jobFacts(job),
  unit: unitOfJob(job),
  checks,
})

/** A job with the marks of its checks in build order. */
export async function jobSummary(sql: Sql, id: string): Promise<JobSummary | undefined> {
  const job = await jobRow(sql, id)
  return job && summaryOf(job, (await stationsOf(sql, [id])).get(id)!)
}

/** Rows of jobs with their checks, in the order of the rows. */
async function withStations(sql: Sql, jobs: readonly JobRow[]): Promise<DatedJob[]> {
  const stations = await stationsOf(
    sql,
    jobs.map(({ id }) => id),
  )
  return jobs.map(job => ({ ...summaryOf(job, stations.get(job.id)!), begun: job.created_at.toISOString() }))
}

/** The jobs of a unit, the newest first. */
export const jobsOfUnit = async (sql: Sql, unitId: string): Promise<DatedJob[]> =>
  withStations(
    sql,
    await sql.rows<JobRow>(
      `${WITH_UNIT} AND job.unit_id = $1 ORDER BY COALESCE(job.came_in, to_char(job.created_at, 'YYYY-MM-DD')) DESC, job.created_at DESC, job.id`,
      [unitId],
    ),
  )

/** Some jobs, in the order they are named. */
export const jobsByIds = async (sql: Sql, ids: readonly string[]): Promise<DatedJob[]> =>
  withStations(sql, await sql.rows<JobRow>(`${WITH_UNIT} AND job.id = ANY($1) ORDER BY array_position($1, job.id)`, [ids]))

/** Signed checks of some kinds on a unit, the newest first. */
export const signedOfKinds = (sql: Sql, unitId: string, kinds: readonly string[]) =>
  sql.rows<{ id: string; title: string }>(
    `SELECT c.id, c.title FROM checks c JOIN job ON job.id = c.job_id WHERE job.unit_id = $1 AND job.removed_at IS NULL AND c.removed_at IS NULL
    AND c.signed AND c.kind = ANY($2) ORDER BY c.created_at DESC, c.id LIMIT 50`,
    [unitId, kinds],
  )

/** Signed checks of the unit a job is on, its own first, then the newest. */
export const signedOnUnit = (sql: Sql, id: string): Promise<JobView['signedOnUnit']> =>
  sql.rows(
    `SELECT c.id, c.kind, c.title, other.title AS job FROM job JOIN job other ON other.unit_id = job.unit_id AND other.removed_at IS NULL
    JOIN checks c ON c.job_id = other.id WHERE job.id = $1 AND c.removed_at IS NULL AND c.signed
    ORDER BY (other.id = job.id) DESC, c.created_at DESC, c.id LIMIT 50`,
    [id],
  )

export const insertJob = (sql: Sql, job: { id: string; unitId: string; title: string; notes: string }) =>
  sql.rows('INSERT INTO job (id, unit_id, title, notes) VALUES ($1, $2, $3, $4)', [job.id, job.unitId, job.title, job.notes])

export const updateJob = (sql: Sql, job: Pick<JobRow, 'id' | 'title' | 'notes'>, facts: JobFacts) =>
  sql.rows(
    'UPDATE job SET title=$2, notes=$3, reference=$4, came_in=$5, promised=$6, handed_over=$7, meter_reading=$8, stage=$9, version = version + 1 WHERE id=$1',
    [job.id, job.title, job.notes, ...factValues(facts)],
  )
const factValues = (facts: JobFacts) => Object.values(factColumns(facts))
/** What is known of a job as its row holds it. */
export const factColumns = (facts: JobFacts) => ({
  reference: facts.reference ?? '',
  came_in: facts.cameIn ?? null,
  promised: facts.promised ?? null,
  handed_over: facts.handedOver ?? null,
  meter_reading: facts.meterReading ?? null,
  stage: facts.stage ?? ('in-work' as const),
})

/** What the meter of a unit stood at, job by job, the newest first. */
export const meterReadings = (sql: Sql, unitId: string) =>
  sql.rows<MeterReading & { readonly job: string }>(
    `SELECT id AS job, COALESCE(came_in, to_char(created_at, 'YYYY-MM-DD')) AS day, meter_reading AS reading FROM job
    WHERE unit_id = $1 AND meter_reading IS NOT NULL AND removed_at IS NULL ORDER BY 2 DESC, id`,
    [unitId],
  )
