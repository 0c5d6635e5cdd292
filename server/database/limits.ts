import type { CheckLimits, LimitPair } from '#core/check/document'
import type { Exact, Unit } from '#core/quantity/figure'
import { limitSetOf, type LimitFields, type LimitSet, type LimitSource } from '#core/verdict/limits'
import { insertRows } from './bulk'
import type { Sql } from './client'

export const limitColumns = (checkId: string, result: string, role: 'book' | 'shop', set: LimitSet | null) => {
  const fields: LimitFields | null = set
  return {
    check_id: checkId,
    result,
    role,
    kind: fields?.kind ?? null,
    lower_nm: fields?.lower ?? null,
    upper_nm: fields?.upper ?? null,
    lower_excluded: fields?.lowerExcluded ?? null,
    upper_excluded: fields?.upperExcluded ?? null,
    figure_nm: fields?.figure ?? null,
    unit: fields?.unit ?? null,
    source: fields?.source ?? null,
  }
}
export const insertLimits = (sql: Sql, ...of: Parameters<typeof limitColumns>) => insertRows(sql, 'limit_set', [limitColumns(...of)])

export interface LimitRow {
  result: string
  role: 'book' | 'shop'
  kind: LimitSet['kind'] | null
  lower_nm: Exact | null
  upper_nm: Exact | null
  lower_excluded: boolean | null
  upper_excluded: boolean | null
  figure_nm: Exact | null
  unit: Unit
  source: LimitSource
}

/** The limits of a row; null: they were taken away. */
export const limitSetIn = (row: Omit<LimitRow, 'result' | 'role'>): LimitSet | null =>
  row.kind === null
    ? null
    : limitSetOf({
        kind: row.kind,
        unit: row.unit,
        source: row.source,
        ...(row.lower_nm === null ? {} : { lower: row.lower_nm }),
        ...(row.upper_nm === null ? {} : { upper: row.upper_nm }),
        ...(row.figure_nm === null ? {} : { figure: row.figure_nm }),
        ...(row.lower_excluded ? { lowerExcluded: true } : {}),
        ...(row.upper_excluded ? { upperExcluded: true } : {}),
      })

/** The newest set of each result and role. */
export const LIMITS =
  'SELECT DISTINCT ON (l.result, l.role) l.* FROM limit_set l WHERE l.check_id = c.id ORDER BY l.result, l.role, l.id DESC'
export function limitSetsOf(rows: readonly LimitRow[]): CheckLimits['sets'] {
  const sets: Record<string, LimitPair> = {}
  for (const row of rows) {
    const set = limitSetIn(row)
    if (set) sets[row.result] = { ...(sets[row.result] ?? { book: null, shop: null }), [row.role]: set }
  }
  return sets
}
