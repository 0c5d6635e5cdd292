import type { Sql } from './client'

export const eventKnown = async (sql: Sql, id: string): Promise<boolean> =>
  (await sql.rows('SELECT 1 FROM event WHERE id = $1', [id])).length > 0
export const insertEvent = (sql: Sql, e: { id: string; subject: string; version: number; what: string }) =>
  sql.rows('INSERT INTO event (id, subject, version, what) VALUES ($1,$2,$3,$4)', [e.id, e.subject, e.version, e.what])
/** What happened to a subject after a version, oldest first. */
export const eventsSince = (sql: Sql, subject: string, version: number) =>
  sql.rows<{ what: string; at: Date; version: number }>(
    'SELECT what, at, version FROM event WHERE subject = $1 AND version > $2 ORDER BY version, at',
    [subject, version],
  )
