import type { Done } from '#shared/record'
import type { Sql } from '../database/client'
import { eventsOfJob, eventsOfThing } from '../database/events'
import { jobRow } from '../database/jobs'
import { notFound } from '../http/refuse'

/** Who did what to a job and its checks, and when, the newest first. */
export async function historyOf(sql: Sql, jobId: string): Promise<Done[]> {
  if (!(await jobRow(sql, jobId))) throw notFound('job')
  return (await eventsOfJob(sql, jobId)).map(({ at, who, what, check_id, title }) => ({
    at: at.toISOString(),
    who,
    what,
    check: check_id === null ? null : { id: check_id, title: title! },
  }))
}

/** Who did what to a size, a gauge, an entry of the library or an order, the newest first. */
export const historyOfThing = async (sql: Sql, id: string): Promise<Omit<Done, 'check'>[]> =>
  (await eventsOfThing(sql, id)).map(({ at, who, what }) => ({ at: at.toISOString(), who, what }))
