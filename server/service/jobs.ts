import { upperFirst } from '#core/quantity/first-letter'
import { STAGE_NAME, daysFault, meterDoubt, type JobFacts } from '#core/worksheet/job-facts'
import type { JobSummary, JobView, NewJob } from '#shared/types'
import type { JobChangeDto, NewJobDto } from '#shared/dto/job'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { isRepeat } from './once'
import { insertJob, jobFacts, jobKnown, jobRow, jobSummary, meterReadings, signedOnUnit, updateJob } from '../database/jobs'
import { unitNamed } from '../database/units'
import { photosOfJob } from '../database/photos'
import { partViews } from '../database/parts'
import { restsOnChecks } from '../database/removals'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'
import { beginRoute } from './routes'

async function summary(sql: Sql, id: string): Promise<JobSummary> {
  const job = await jobSummary(sql, id)
  if (!job) throw notFound('job')
  return job
}

/** How the meter stands beside the other services of the unit. */
async function meterDoubtOf(sql: Sql, { id, unit, meterReading }: JobSummary): Promise<string | null> {
  if (meterReading === undefined) return null
  const all = await meterReadings(sql, unit.id)
  return meterDoubt(
    all.find(({ job }) => job === id)!,
    all.filter(({ job }) => job !== id),
  )
}

export async function jobView(sql: Sql, id: string): Promise<JobView> {
  const job = await summary(sql, id)
  return {
    ...job,
    meterDoubt: await meterDoubtOf(sql, job),
    parts: await partViews(sql, id),
    photos: await photosOfJob(sql, id),
    signedOnUnit: await signedOnUnit(sql, id),
    removable: (await restsOnChecks(sql, id)).filter(({ rests }) => rests === null).map(check => check.id),
  }
}

/** Begins a job in a transaction that is open, on the unit of that name. @throws Refused where its id is taken */
export async function beginJobOf(
  sql: Sql,
  job: Pick<NewJobDto, 'id' | 'unit' | 'title' | 'notes' | 'op' | 'content' | 'who'>,
): Promise<void> {
  const { id, unit, title, notes = '' } = job
  if (await jobKnown(sql, id)) throw refuse(409, 'That id is taken.', 'id')
  const unitId = await unitNamed(sql, `unit-${id}`.slice(0, 64), unit.trim(), '')
  await insertJob(sql, { id, unitId, title: title.trim(), notes })
  await insertEvent(sql, job, { subject: id, version: 1, what: 'Job begun' })
}

export const createJob = (db: Database, dto: NewJobDto): Promise<NewJob> =>
  db.transaction(async sql => {
    let said: string[] = []
    if (!(await isRepeat(sql, dto))) {
      await beginJobOf(sql, dto)
      said = await beginRoute(sql, dto.id, dto, dto)
    }
    return { ...(await summary(sql, dto.id)), said }
  })

export const changeJob = (db: Database, id: string, dto: JobChangeDto): Promise<JobView> =>
  db.transaction(async sql => {
    const job = await jobRow(sql, id)
    if (!job) throw notFound('job')
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, job.version)
      const facts = changedFacts(jobFacts(job), dto)
      const fault = daysFault(facts)
      if (fault) throw refuse(422, fault.words, fault.at)
      await updateJob(sql, { id, title: dto.title?.trim() ?? job.title, notes: dto.notes ?? job.notes }, facts)
      await insertEvent(sql, dto, { subject: id, version: job.version + 1, what: changeWords(dto) })
    }
    return jobView(sql, id)
  })

/** What was said over what was known; null takes a fact away. */
function changedFacts(facts: JobFacts, { reference, cameIn, promised, handedOver, meterReading, stage }: JobChangeDto): JobFacts {
  const said = Object.entries({ reference: reference?.trim(), cameIn, promised, handedOver, meterReading, stage }).filter(
    ([, value]) => value !== undefined,
  )
  return Object.fromEntries(Object.entries({ ...facts, ...Object.fromEntries(said) }).filter(([, value]) => value !== null && value !== ''))
}

const changeWords = ({ notes, title, stage, cameIn, promised, handedOver, meterReading, reference }: JobChangeDto): string =>
  [
    notes === undefined ? [] : ['Job notes changed'],
    title === undefined ? [] : [`Called “${title.trim()}”`],
    stage === undefined ? [] : [upperFirst(STAGE_NAME[stage])],
    cameIn === undefined ? [] : [`Came in: ${cameIn ?? 'not known'}`],
    promised === undefined ? [] : [`Promised for: ${promised ?? 'nothing'}`],
    handedOver === undefined ? [] : [`Handed over: ${handedOver ?? 'not yet'}`],
    meterReading === undefined ? [] : [`Meter: ${meterReading ?? 'not known'}`],
    reference === undefined ? [] : [`Reference: ${reference?.trim() || 'none'}`],
  ]
    .flat()
    .join('. ') || 'Nothing changed'
