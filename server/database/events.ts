import type { OperationDto } from '#shared/dto/command'
import { refuse } from '../http/refuse'
import type { Sql } from './client'

/**
 * Was this write made already? Sending it twice is harmless.
 * @throws Refused where another one was made under its id
 */
export async function isRepeat(sql: Sql, { op, content }: Pick<OperationDto, 'op' | 'content'>): Promise<boolean> {
  const [event] = await sql.rows<{ content: string | null }>('SELECT content FROM event WHERE id = $1', [op])
  if (event && event.content !== null && content !== undefined && event.content !== content)
    throw refuse(409, 'Something else was sent under this id already.', 'op')
  return event !== undefined
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
