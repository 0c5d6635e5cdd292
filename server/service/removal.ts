import type { RemovalDto } from '#shared/dto/command'
import type { Person } from '#shared/record'
import type { JobView, RouteView, StockView } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { isRepeat } from './once'
import { allRoutes } from '../database/routes'
import { allPeople, personById } from '../database/people'
import { restsOnCheck, restsOnChecks, restsOnLot, rowOf, setRemoved, type Removable } from '../database/removals'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'
import { jobView } from './jobs'
import { assertOwnInitials } from './people'
import { stockChange } from './stock'

/** Takes away what was entered by mistake, while nothing rests on it; or brings it back. */
async function remove(
  sql: Sql,
  table: Removable,
  what: string,
  id: string,
  { op, version, removed, content, who }: RemovalDto,
  rests: () => Promise<string | null>,
): Promise<void> {
  const row = await rowOf(sql, table, id)
  if (!row) throw notFound(what)
  if ((await isRepeat(sql, { op, content })) || row.removed === removed) return
  await assertFresh(sql, id, version, row.version)
  const reason = removed ? await rests() : null
  if (reason !== null) throw refuse(409, `It cannot be removed: ${reason}.`)
  await setRemoved(sql, table, id, removed)
  await insertEvent(sql, { op, content, who }, { subject: id, version: row.version + 1, what: removed ? 'Removed' : 'Brought back' })
}

export const removeLot = (db: Database, id: string, dto: RemovalDto): Promise<StockView> =>
  db.transaction(async sql => {
    await remove(sql, 'lot', 'size in the drawer', id, dto, () => restsOnLot(sql, id))
    return stockChange(sql, [id])
  })

/** @returns its job without it, or with it again */
export const removeCheck = (db: Database, id: string, dto: RemovalDto): Promise<JobView> =>
  db.transaction(async sql => {
    await remove(sql, 'checks', 'check', id, dto, () => restsOnCheck(sql, id))
    const [check] = await sql.rows<{ job_id: string }>('SELECT job_id FROM checks WHERE id = $1', [id])
    return jobView(sql, check!.job_id)
  })

/** A route goes, or comes back; jobs that began with it are none of its. */
export const removeRoute = (db: Database, id: string, dto: RemovalDto): Promise<RouteView[]> =>
  db.transaction(async sql => {
    await remove(sql, 'route', 'route', id, dto, () => Promise.resolve(null))
    return allRoutes(sql)
  })

/** A photograph goes, or comes back: nothing rests on it. */
export const removePhotoRow = (sql: Sql, id: string, dto: RemovalDto) =>
  remove(sql, 'photo', 'photograph', id, dto, () => Promise.resolve(null))

/** Whoever leaves is offered no more; what carries the name keeps it. */
export const removePerson = (db: Database, id: string, dto: RemovalDto): Promise<Person[]> =>
  db.transaction(async sql => {
    const person = await personById(sql, id)
    if (person && !dto.removed) await assertOwnInitials(sql, id, person.initials)
    await remove(sql, 'person', 'person', id, dto, () => Promise.resolve(null))
    return allPeople(sql)
  })

export const removeJob = (db: Database, id: string, dto: RemovalDto): Promise<{ readonly removed: boolean }> =>
  db.transaction(async sql => {
    await remove(sql, 'job', 'job', id, dto, async () => {
      const held = (await restsOnChecks(sql, id)).find(({ rests }) => rests !== null)
      return held ? `of ${held.title.toLowerCase()}, ${held.rests}` : null
    })
    return { removed: dto.removed }
  })
