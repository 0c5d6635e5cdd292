import type { Database, Sql } from './client'

/** All of an import is here: from now on it is seen. */
export async function reveal(sql: Sql, arrival: string): Promise<void> {
  await sql.rows('UPDATE checks SET removed_at = NULL WHERE job_id IN (SELECT id FROM job WHERE arriving = $1)', [arrival])
  await sql.rows('UPDATE job SET removed_at = NULL, arriving = NULL WHERE arriving = $1', [arrival])
  await sql.rows('UPDATE lot SET removed_at = NULL, arriving = NULL WHERE arriving = $1', [arrival])
  await sql.rows('UPDATE gauge SET arriving = NULL WHERE arriving = $1', [arrival])
}

const CHECKS = 'SELECT c.id FROM checks c JOIN job j ON j.id = c.job_id WHERE j.arriving IS NOT NULL'
const TRIALS = `SELECT id FROM trial WHERE check_id IN (${CHECKS})`
const READINGS = `SELECT id FROM reading WHERE series_id IN (SELECT id FROM series WHERE trial_id IN (${TRIALS}))`
const PARTS = 'SELECT p.id FROM part p JOIN job j ON j.id = p.job_id WHERE j.arriving IS NOT NULL'
const LAPS = `SELECT id FROM lap WHERE check_id IN (${CHECKS})`
/** What goes, in an order that no reference stands against. */
const GOES: readonly (readonly [table: string, where: string])[] = [
  ['reading_void', `reading_id IN (${READINGS})`],
  ['reading', `id IN (${READINGS})`],
  ['series', `trial_id IN (${TRIALS})`],
  ['step_tick', `check_id IN (${CHECKS})`],
  ['lap_pass', `lap_id IN (${LAPS})`],
  ['lap_end', `lap_id IN (${LAPS})`],
  ['lap', `check_id IN (${CHECKS})`],
  ['trial_piece', `listing_id IN (SELECT id FROM pack_listing WHERE trial_id IN (${TRIALS}))`],
  ['pack_listing', `trial_id IN (${TRIALS})`],
  ['trial_refit', `trial_id IN (${TRIALS})`],
  ['prediction', `trial_id IN (${TRIALS})`],
  ['trial', `check_id IN (${CHECKS})`],
  ['limit_set', `check_id IN (${CHECKS})`],
  ['check_gauge', `check_id IN (${CHECKS})`],
  ['part_change', `check_id IN (${CHECKS}) OR part_id IN (${PARTS})`],
  ['check_part', `check_id IN (${CHECKS})`],
  ['reopening', `sign_off_id IN (SELECT id FROM sign_off WHERE check_id IN (${CHECKS}))`],
  ['sign_off', `check_id IN (${CHECKS})`],
  ['event', `subject IN (${CHECKS})`],
  ['checks', `id IN (${CHECKS})`],
  ['part', `id IN (${PARTS})`],
  ['job', 'arriving IS NOT NULL'],
  ['lot', 'arriving IS NOT NULL'],
  ['gauge', 'arriving IS NOT NULL'],
]
const APPEND_ONLY = 'SELECT tgrelid::regclass::text AS name FROM pg_trigger WHERE tgname = $1'

/** An import that was cut short leaves nothing of itself. */
export const forgetArrivals = (db: Database): Promise<void> =>
  db.transaction(async sql => {
    const [begun] = await sql.rows(
      'SELECT 1 FROM job WHERE arriving IS NOT NULL UNION ALL SELECT 1 FROM lot WHERE arriving IS NOT NULL UNION ALL SELECT 1 FROM gauge WHERE arriving IS NOT NULL LIMIT 1',
    )
    if (!begun) return
    const guarded = new Set((await sql.rows<{ name: string }>(APPEND_ONLY, ['append_only'])).map(({ name }) => name))
    for (const [table, where] of GOES) {
      if (guarded.has(table)) await sql.rows(`ALTER TABLE ${table} DISABLE TRIGGER append_only`)
      await sql.rows(`DELETE FROM ${table} WHERE ${where}`)
      if (guarded.has(table)) await sql.rows(`ALTER TABLE ${table} ENABLE TRIGGER append_only`)
    }
  })
