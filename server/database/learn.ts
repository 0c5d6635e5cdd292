import { spreadsOf } from '#core/check/repeatability'
import { wholeCheck } from './checks'
import type { Database } from './client'
import { keepSpreads } from './readings'

/** What the repeats of checks from before spreads were kept say of their gauges: worked out once, at the start. */
export async function learnFromOlderChecks(db: Database): Promise<void> {
  for (const { id } of await db.rows<{ id: string }>('SELECT id FROM checks WHERE NOT spread_known ORDER BY id'))
    await db.transaction(async sql => {
      const whole = await wholeCheck(sql, id)
      if (whole) await keepSpreads(sql, whole.document, spreadsOf(whole.document, whole.workshop))
      await sql.rows('UPDATE checks SET spread_known = true WHERE id = $1', [id])
    })
}
