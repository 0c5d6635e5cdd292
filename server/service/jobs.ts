import type { JobSummary, JobView } from '#shared/types'
import type { JobChangeDto, NewJobDto } from '#shared/dto/job'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { isRepeat } from './once'
import { insertJob, jobKnown, jobRow, jobSummary, signedOnUnit, unitNamed, updateJob } from '../database/jobs'
import { partViews } from '../database/parts'
import { restsOnChecks } from '../database/removals'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'

async function summary(sql: Sql, id: string): Promise<JobSummary> {
  const job = await jobSummary(sql, id)
  if (!job) throw notFound('job')
  return job
}

export const jobView = async (sql: Sql, id: string): Promise<JobView> => ({
  ...(await summary(sql, id)),
  parts: await partViews(sql, id),
  signedOnUnit: await signedOnUnit(sql, id),
  removable: (await restsOnChecks(sql, id)).filter(({ rests }) => rests === null).map(check => check.id),
})

export const createJob = (db: Database, dto: NewJobDto): Promise<JobSummary> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      if (await jobKnown(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
      const unitId = await unitNamed(sql, `unit-${dto.id}`.slice(0, 64), dto.unit.trim(), '')
      await insertJob(sql, { id: dto.id, unitId, title: dto.title.trim(), notes: dto.notes ?? '' })
      await insertEvent(sql, { id: dto.op, subject: dto.id, version: 1, what: 'Job begun', content: dto.content })
    }
    return summary(sql, dto.id)
  })

export const changeJob = (db: Database, id: string, dto: JobChangeDto): Promise<JobView> =>
  db.transaction(async sql => {
    const job = await jobRow(sql, id)
    if (!job) throw notFound('job')
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, job.version)
      await updateJob(sql, { id, title: dto.title?.trim() ?? job.title, notes: dto.notes ?? job.notes })
      await insertEvent(sql, { id: dto.op, subject: id, version: job.version + 1, what: 'Job notes changed', content: dto.content })
    }
    return jobView(sql, id)
  })
