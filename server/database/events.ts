import type { Sql } from './client'

/** What was sent under this id; null: nobody wrote that down; undefined: nothing was. */
export async function contentSent(sql: Sql, op: string): Promise<string | null | undefined> {
  const [event] = await sql.rows<{ content: string | null }>('SELECT content FROM event WHERE id = $1', [op])
  return event?.content
}
export const insertEvent = (sql: Sql, e: { id: string; subject: string; version: number; what: string; content?: string | undefined }) =>
  sql.rows('INSERT INTO event (id, subject, version, what, content) VALUES ($1,$2,$3,$4,$5)', [
    e.id,
    e.subject,
    e.version,
    e.what,
    e.content ?? null,
  ])
/** What happened to a subject after a version, oldest first. */
export const eventsSince = (sql: Sql, subject: string, version: number) =>
  sql.rows<{ what: string; at: Date; version: number }>(
    'SELECT what, at, version FROM event WHERE subject = $1 AND version > $2 ORDER BY version, at',
    [subject, version],
  )
