import { routeCheck, withGaugesHere, type RouteCheck } from '#core/command/route'
import { checkKind } from '#core/check/registry'
import { lowerFirst } from '#core/quantity/first-letter'
import type { OperationDto } from '#shared/dto/command'
import type { NewRouteDto } from '#shared/dto/route'
import type { LastTime } from '#shared/record'
import type { RouteView } from '#shared/types'
import { checkIdsOfJob } from '../database/checks'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { allGauges } from '../database/gauges'
import { jobRow } from '../database/jobs'
import { allRoutes, insertRoute, routeById } from '../database/routes'
import { lastFigures } from '../database/trends'
import { notFound, refuse } from '../http/refuse'
import { loadCheck } from './check-view'
import { beginCheckOf } from './new-check'
import { isRepeat } from './once'

/** The checks of a job, each with what it began with. */
async function checksOf(sql: Sql, jobId: string): Promise<RouteCheck[]> {
  const checks: RouteCheck[] = []
  for (const id of await checkIdsOfJob(sql, jobId)) checks.push(routeCheck((await loadCheck(sql, id)).document))
  return checks
}

/** Keeps the checks of a job as a route. */
export const saveRoute = (db: Database, dto: NewRouteDto): Promise<RouteView[]> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      const job = await jobRow(sql, dto.job)
      if (!job) throw notFound('job')
      if (await routeById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
      const name = dto.name.trim()
      if ((await allRoutes(sql)).some(route => route.name.toLowerCase() === name.toLowerCase()))
        throw refuse(409, 'Another route has this name.', 'name')
      const checks = await checksOf(sql, dto.job)
      if (checks.length === 0) throw refuse(422, 'This job has no checks yet: there is nothing to keep.', '')
      await insertRoute(sql, { id: dto.id, name, unit_type: job.unit_type, checks })
      await insertEvent(sql, dto, { subject: dto.id, version: 1, what: `Route kept: ${name}` })
    }
    return allRoutes(sql)
  })

/** What a new job begins with: a route, or the checks of another job. @throws Refused where there is no such thing */
async function firstChecks(
  sql: Sql,
  from: { readonly route?: string | undefined; readonly again?: string | undefined },
): Promise<RouteCheck[]> {
  if (from.route !== undefined) {
    const route = await routeById(sql, from.route)
    if (!route || route.removed) throw refuse(422, 'There is no such route.', 'route')
    return [...route.checks]
  }
  if (from.again === undefined) return []
  if (!(await jobRow(sql, from.again))) throw refuse(422, 'There is no such job.', 'again')
  return checksOf(sql, from.again)
}

/**
 * Begins the checks of a new job.
 * @returns what could not be as it was, a sentence each: a gauge that is gone
 */
export async function beginRoute(
  sql: Sql,
  jobId: string,
  from: { readonly route?: string | undefined; readonly again?: string | undefined },
  { op, who }: Pick<OperationDto, 'op' | 'who'>,
): Promise<string[]> {
  const known = new Set((await allGauges(sql)).map(({ id }) => id))
  const notes: string[] = []
  for (const [i, one] of (await firstChecks(sql, from)).entries()) {
    const { check, gone } = withGaugesHere(one, known)
    const id = `${jobId.slice(0, 58)}:${i + 1}`
    await beginCheckOf(sql, jobId, checkKind(check.kind), { id, op: `${op.slice(0, 58)}:${i + 1}`, who, settings: check.settings })
    if (gone.length > 0)
      notes.push(`A gauge of ${lowerFirst(check.settings.title ?? check.kind)} is not in the register any more: the likeliest was taken.`)
  }
  return notes
}

/** What a check of the same name on the same unit came to last time; null: there was none. */
export async function lastTime(sql: Sql, checkId: string): Promise<LastTime | null> {
  const rows = await lastFigures(sql, checkId)
  const [first] = rows
  return first
    ? {
        check: first.check_id,
        job: first.job_title,
        day: first.day,
        meterReading: first.meter_reading,
        figures: rows.map(row => ({
          result: row.result,
          found: row.found === null ? null : { value: row.found, U: row.found_u! },
          left: { value: row.left_at, U: row.left_u },
        })),
      }
    : null
}
