import type { Database, Sql } from './client'

/** What is shown or removed with one transaction: others wait no longer than that. */
const JOBS_AT_ONCE = 25
const SIZES_AT_ONCE = 250
const READINGS_AT_ONCE = 250

/** All of an import is here: from now on it stays, and is shown, its sizes first and then job by job. */
export async function reveal(db: Database, arrival: string): Promise<void> {
  await db.transaction(sql => sql.rows('INSERT INTO arrived VALUES ($1)', [arrival]))
  await showArrived(db)
}

async function showArrived(db: Database): Promise<void> {
  for (const { id } of await db.rows<{ id: string }>('SELECT id FROM arrived')) {
    await inTurns(db, SIZES_AT_ONCE, `SELECT id FROM lot WHERE arriving = $1`, [id], (sql, ids) =>
      sql.rows('UPDATE lot SET removed_at = NULL, arriving = NULL WHERE id = ANY($1)', [ids]),
    )
    await db.transaction(sql => sql.rows('UPDATE gauge SET arriving = NULL WHERE arriving = $1', [id]))
    await inTurns(db, JOBS_AT_ONCE, `SELECT id FROM job WHERE arriving = $1`, [id], async (sql, ids) => {
      await sql.rows('UPDATE checks SET removed_at = NULL WHERE job_id = ANY($1)', [ids])
      await sql.rows('UPDATE job SET removed_at = NULL, arriving = NULL WHERE id = ANY($1)', [ids])
    })
    await db.transaction(sql => sql.rows('DELETE FROM arrived WHERE id = $1', [id]))
  }
}

/** Does what is to be done with what a statement finds, some at a time, until it finds nothing more. */
async function inTurns(
  db: Database,
  most: number,
  found: string,
  values: readonly unknown[],
  work: (sql: Sql, ids: string[]) => Promise<unknown>,
): Promise<void> {
  for (let more = true; more;)
    await db.transaction(async sql => {
      const ids = (await sql.rows<{ id: string }>(`${found} LIMIT ${most}`, values)).map(({ id }) => id)
      if (ids.length > 0) await work(sql, ids)
      more = ids.length === most
    })
}

const CHECKS = 'SELECT id FROM checks WHERE job_id = ANY($1)'
const TRIALS = `SELECT id FROM trial WHERE check_id IN (${CHECKS})`
const READINGS = `SELECT id FROM reading WHERE series_id IN (SELECT id FROM series WHERE trial_id IN (${TRIALS}))`
/** A job may have thousands: they go before everything else, some at a time. */
const ARRIVED_READINGS = `SELECT r.id FROM job j JOIN checks c ON c.job_id = j.id JOIN trial t ON t.check_id = c.id JOIN series s ON s.trial_id = t.id
  JOIN reading r ON r.series_id = s.id WHERE j.arriving IS NOT NULL`
const PARTS = 'SELECT id FROM part WHERE job_id = ANY($1)'
const LAPS = `SELECT id FROM lap WHERE check_id IN (${CHECKS})`
/** What goes with some jobs, in an order that no reference stands against. */
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
  ['trial_condition', `trial_id IN (${TRIALS})`],
  ['left_out', `trial_id IN (${TRIALS})`],
  ['struck', `check_id IN (${CHECKS})`],
  ['clearing', `check_id IN (${CHECKS})`],
  ['trial', `check_id IN (${CHECKS})`],
  ['limit_set', `check_id IN (${CHECKS})`],
  ['check_gauge', `check_id IN (${CHECKS})`],
  ['part_change', `check_id IN (${CHECKS}) OR part_id IN (${PARTS})`],
  ['check_part', `check_id IN (${CHECKS})`],
  ['reopening', `sign_off_id IN (SELECT id FROM sign_off WHERE check_id IN (${CHECKS}))`],
  ['service_figure', `check_id IN (${CHECKS})`],
  ['sign_off', `check_id IN (${CHECKS})`],
  ['event', `subject IN (${CHECKS})`],
  ['photo', 'job_id = ANY($1)'],
  ['checks', `id IN (${CHECKS})`],
  ['part', `id IN (${PARTS})`],
  ['job_words', 'job_id = ANY($1)'],
  ['job_unread', 'job_id = ANY($1)'],
  ['job', 'id = ANY($1)'],
]
/** Some of these rows are never changed otherwise. */
const APPEND_ONLY = 'SELECT tgrelid::regclass::text AS name FROM pg_trigger WHERE tgname = $1'

/** An import that was cut short leaves nothing of itself; one that was whole already is shown. */
export async function forgetArrivals(db: Database): Promise<void> {
  await showArrived(db)
  const guarded = new Set((await db.rows<{ name: string }>(APPEND_ONLY, ['append_only'])).map(({ name }) => name))
  const remove = async (sql: Sql, table: string, where: string, values: readonly unknown[]) => {
    if (guarded.has(table)) await sql.rows(`ALTER TABLE ${table} DISABLE TRIGGER append_only`)
    await sql.rows(`DELETE FROM ${table} WHERE ${where}`, values)
    if (guarded.has(table)) await sql.rows(`ALTER TABLE ${table} ENABLE TRIGGER append_only`)
  }
  await inTurns(db, READINGS_AT_ONCE, ARRIVED_READINGS, [], async (sql, ids) => {
    await remove(sql, 'reading_void', 'reading_id = ANY($1)', [ids])
    await remove(sql, 'reading', 'id = ANY($1)', [ids])
  })
  const someJobs = async () =>
    (await db.rows<{ id: string }>(`SELECT id FROM job WHERE arriving IS NOT NULL LIMIT ${JOBS_AT_ONCE}`)).map(({ id }) => id)
  // Hidden as they are, they need not go at one moment.
  for (let jobs = await someJobs(); jobs.length > 0; jobs = await someJobs())
    for (const [table, where] of GOES) await db.transaction(sql => remove(sql, table, where, [jobs]))
  await inTurns(db, SIZES_AT_ONCE, 'SELECT id FROM lot WHERE arriving IS NOT NULL', [], async (sql, ids) => {
    await remove(sql, 'movement', 'lot_id = ANY($1)', [ids])
    await remove(sql, 'lot', 'id = ANY($1)', [ids])
  })
  await db.transaction(async sql => {
    await remove(sql, 'gauge', 'arriving IS NOT NULL', [])
    await remove(sql, 'unit', 'NOT EXISTS (SELECT 1 FROM job WHERE unit_id = unit.id)', [])
  })
}
