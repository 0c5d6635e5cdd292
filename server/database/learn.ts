import { spreadsOf } from '#core/check/evaluate/repeatability'
import { wholeCheck } from './checks'
import type { Database } from './client'
import { keepSpreads } from './readings'

/** Tables that grow most; what fits into so many pages is read through as fast as by any index. */
const GROWING = ['reading', 'checks']
const FEW_PAGES = 10

/**
 * What the database knows of its tables, by which it plans: nobody else tells it, and without it a check is looked for by reading all.
 * @param grown  to so many times the pages it knew of: else it plans well enough
 */
export async function takeStock(db: Database, grown: number): Promise<void> {
  const sizes = await db.rows<{ known: number; now: number }>(
    `SELECT relpages AS known, pg_relation_size(oid)::float8 / current_setting('block_size')::integer AS now FROM pg_class
    WHERE oid = ANY($1::regclass[])`,
    [GROWING],
  )
  if (!sizes.some(({ known, now }) => now > grown * Math.max(FEW_PAGES, known))) return
  // A table at a time, from fewer rows than usual: others wait no longer than that.
  for (const { name } of await db.rows<{ name: string }>(
    "SELECT format('%I', tablename) AS name FROM pg_tables WHERE schemaname = 'public'",
  ))
    await db.transaction(async sql => {
      await sql.rows('SET LOCAL default_statistics_target = 10')
      await sql.rows(`ANALYZE ${name}`)
    })
}

/** What the repeats of checks from before spreads were kept say of their gauges: worked out once, at the start. */
export async function learnFromOlderChecks(db: Database): Promise<void> {
  for (const { id } of await db.rows<{ id: string }>('SELECT id FROM checks WHERE NOT spread_known ORDER BY id'))
    await db.transaction(async sql => {
      const whole = await wholeCheck(sql, id)
      if (whole) await keepSpreads(sql, whole.document, spreadsOf(whole.document, whole.workshop))
      await sql.rows('UPDATE checks SET spread_known = true WHERE id = $1', [id])
    })
}
