import type { RouteCheck } from '#core/command/route'
import type { RouteView } from '#shared/types'
import type { Sql } from './client'

export interface RouteRow {
  id: string
  name: string
  unit_type: string
  checks: readonly RouteCheck[]
  version: number
  removed: boolean
}
const ROUTES = 'SELECT id, name, unit_type, checks, version, removed_at IS NOT NULL AS removed FROM route'

export const routeById = async (sql: Sql, id: string) => (await sql.rows<RouteRow>(`${ROUTES} WHERE id = $1`, [id]))[0]
/** The routes there are, by name. */
export const allRoutes = async (sql: Sql): Promise<RouteView[]> =>
  (await sql.rows<RouteRow>(`${ROUTES} WHERE removed_at IS NULL ORDER BY lower(name), id`)).map(
    ({ id, name, unit_type, checks, version }) => ({
      id,
      name,
      type: unit_type,
      version,
      checks: checks.map(({ kind, settings }) => ({ kind, title: settings.title ?? '' })),
    }),
  )
export const insertRoute = (sql: Sql, { id, name, unit_type, checks }: Omit<RouteRow, 'version' | 'removed'>) =>
  sql.rows('INSERT INTO route (id, name, unit_type, checks) VALUES ($1, $2, $3, $4)', [id, name, unit_type, JSON.stringify(checks)])
