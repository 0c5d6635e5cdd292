import type { JobQueryDto } from '#shared/dto/job'
import type { JobList } from '#shared/types'
import type { Prepared, Sql } from './client'
import { JOB_COLUMNS, STATION, stationOf, stationsOf, summaryOf, type JobRow, type StationRow } from './jobs'
import { ARRIVED, ORDERED, waitingChecks } from './orders'

const checksOf = (condition: string) => `SELECT c.job_id FROM checks c WHERE c.removed_at IS NULL AND ${condition}`
/** Is it a job with such a check? */
const hasCheck = (condition: string) => `job.id IN (${checksOf(condition)})`

/** What its checks, or the job itself, are to be; null: anything. */
function stateFilter(state: JobQueryDto['state']): { readonly job: string } | { readonly check: string } | null {
  switch (state) {
    case 'all':
      return null
    case 'open':
      return { job: 'job.open' }
    case 'waiting':
      return { check: "NOT c.signed AND c.state <> 'to-do'" }
    case 'finished':
      return { job: 'NOT job.open' }
    case 'accepted':
      return { check: "c.accepted AND c.state <> 'in'" }
    default:
      return { check: `NOT c.signed AND c.state = '${state}'` }
  }
}

/** From so many on, the newest are sooner found by going through the book from its beginning than by looking up all. */
const MANY = 200

interface Page {
  readonly jobs: readonly BookRow[]
  readonly found: number
}
interface BookRow extends JobRow {
  /** something open of it was last in the hands of who asks */
  readonly mine?: boolean
}
/** @param who  the place of the name among the values */
const mineFor = (who: number) => `job.open AND EXISTS (SELECT 1 FROM checks m
  WHERE m.job_id = job.id AND NOT m.signed AND m.removed_at IS NULL AND (
    SELECT e.who FROM event e WHERE e.subject = m.id AND e.who <> '' ORDER BY e.version DESC LIMIT 1) = $${who})`
/** A page of the jobs that some conditions leave, beside each what else is asked for; those of who asks first. */
function pageOf<More = unknown>(sql: Sql, from: string, query: JobQueryDto, values: readonly string[] = [], more = '') {
  const { skip, limit } = query
  const who = query.who.trim()
  const mine = who === '' ? '' : `, ${mineFor(values.length + 1)} AS mine`
  const order = (of: string) => `job.open DESC, ${mine && `${of}mine DESC, `}job.created_at DESC, job.id`
  return sql.rows<BookRow & More>(
    `SELECT ${JOB_COLUMNS}${(mine || more) && ', page.*'} FROM (
      SELECT job.id${mine}${more} ${from} ORDER BY ${order('')} LIMIT ${limit} OFFSET ${skip}) page
    JOIN job ON job.id = page.id JOIN unit ON unit.id = unit_id ORDER BY ${order('page.')}`,
    mine ? [...values, who] : values,
  )
}
const countOf = async (sql: Sql, from: string, values: readonly string[] = []) =>
  (await sql.rows<{ n: number }>(`SELECT count(*)::integer AS n ${from}`, values))[0]!.n
const THERE = 'job.removed_at IS NULL'

/** Those of a state. */
async function ofState(sql: Sql, filter: NonNullable<ReturnType<typeof stateFilter>>, query: JobQueryDto): Promise<Page> {
  const from = `FROM job WHERE ${THERE} AND ${'job' in filter ? filter.job : hasCheck(filter.check)}`
  const found = await countOf(sql, from)
  // A question that answers with one value is asked of a job at a time.
  const walked =
    'check' in filter && found > MANY
      ? `FROM job WHERE ${THERE} AND (SELECT true FROM (${checksOf(filter.check)}) c WHERE c.job_id = job.id LIMIT 1)`
      : from
  return { jobs: found > query.skip ? await pageOf(sql, walked, query) : [], found }
}

/** Those that say these words, of a state where one is asked for: all are read, and counted on the way. */
async function saying(sql: Sql, words: string, filter: ReturnType<typeof stateFilter>, query: JobQueryDto): Promise<Page> {
  const said = `(strpos(lower(unit.name || ' ' || job.title), $1) > 0 OR ${hasCheck('strpos(lower(c.title), $1) > 0')})`
  const state = filter === null ? '' : `AND ${'job' in filter ? filter.job : hasCheck(filter.check)}`
  const from = `FROM job JOIN unit ON unit.id = unit_id WHERE ${THERE} AND ${said} ${state}`
  const jobs = await pageOf<{ found: number }>(sql, from, query, [words], ', (count(*) OVER ())::integer AS found')
  return { jobs, found: jobs[0]?.found ?? (query.skip > 0 ? await countOf(sql, from, [words]) : 0) }
}

/** The check of the book that presses most, of those that are so. */
const pressing = (which: string, condition: string, values = 0): Prepared => ({
  name: `pressing_${which}`,
  statement: `SELECT ${STATION}, job.title AS job_title, unit.name AS unit_name FROM checks c JOIN job ON job.id = c.job_id JOIN unit ON unit.id = job.unit_id
    WHERE NOT c.signed AND c.removed_at IS NULL AND job.removed_at IS NULL AND ${condition} ORDER BY c.pressing, c.created_at DESC, c.position, c.id LIMIT 1`,
  values,
})
const ARRIVED_NOW = pressing('arrived', ARRIVED)
const MINE = pressing('mine', `c.job_id = $1 AND NOT (${ORDERED})`, 1)
const ANYBODYS = [pressing('free', `NOT (${ORDERED})`), pressing('any', 'true')]

/**
 * What a check waited for is here; else one of who asks; else the one that presses most, of those that do not wait for a supplier where there are
 * any.
 * @param mine  jobs that were in the hands of who asks
 */
async function nextCheck(sql: Sql, mine: readonly string[]): Promise<JobList['next']> {
  const asked: [Prepared, ...string[]][] = [
    [ARRIVED_NOW],
    ...mine.map((job): [Prepared, string] => [MINE, job]),
    ...ANYBODYS.map((of): [Prepared] => [of]),
  ]
  for (const [which, ...values] of asked) {
    const [row] = await sql.prepared<StationRow & { job_title: string; unit_name: string }>(which, values)
    if (!row) continue
    const waiting = (await waitingChecks(sql, [row.job_id])).get(row.id) ?? null
    return { check: stationOf(row, waiting), job: { title: row.job_title, unit: row.unit_name } }
  }
  return null
}

/** A page of the book: jobs with something open first, of them those of who asks, the newest first; how many there are, and the check to carry on with. */
export async function jobList(sql: Sql, query: JobQueryDto): Promise<JobList> {
  const [counts] = await sql.rows<JobList['counts']>('SELECT jobs, checks, waiting FROM book')
  const words = query.find.trim().toLowerCase()
  const filter = stateFilter(query.state)
  const { jobs, found } =
    words !== ''
      ? await saying(sql, words, filter, query)
      : filter !== null
        ? await ofState(sql, filter, query)
        : { jobs: await pageOf(sql, `FROM job WHERE ${THERE}`, query), found: counts!.jobs }
  const stations = await stationsOf(
    sql,
    jobs.map(({ id }) => id),
  )
  const mine = jobs.filter(job => job.mine).map(({ id }) => id)
  return {
    jobs: jobs.map(job => summaryOf(job, stations.get(job.id)!)),
    found,
    counts: counts!,
    mine: mine.length,
    next: await nextCheck(sql, mine),
  }
}
