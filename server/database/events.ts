import type { OperationDto } from '#shared/dto/command'
import type { Sql } from './client'

/** What was sent under this id; null: nobody wrote that down; undefined: nothing was. */
export async function contentSent(sql: Sql, op: string): Promise<string | null | undefined> {
  const [event] = await sql.rows<{ content: string | null }>('SELECT content FROM event WHERE id = $1', [op])
  return event?.content
}
/** What was written to which subject, by which operation and whom. */
export const insertEvent = (
  sql: Sql,
  { op, content, who }: Pick<OperationDto, 'op' | 'content' | 'who'>,
  e: { subject: string; version: number; what: string },
) =>
  sql.rows('INSERT INTO event (id, subject, version, what, content, who) VALUES ($1,$2,$3,$4,$5,$6)', [
    op,
    e.subject,
    e.version,
    e.what,
    content ?? null,
    who?.trim() ?? '',
  ])
/** What happened to a subject after a version, oldest first. */
export const eventsSince = (sql: Sql, subject: string, version: number) =>
  sql.rows<{ what: string; at: Date; version: number }>(
    'SELECT what, at, version FROM event WHERE subject = $1 AND version > $2 ORDER BY version, at',
    [subject, version],
  )
/** Signatures and part changes that were made elsewhere came with a file: their rows are all that tells of them. */
const ELSEWHERE = `
  SELECT s.at, s.by_name, 'Signed off' || COALESCE(': ' || s.reason, ''), s.check_id, s.id FROM sign_off s JOIN checks c ON c.id = s.check_id WHERE c.job_id = $1
  UNION ALL SELECT p.at, p.by_name, 'Replaced or reworked, ' || lower(part.name) || ': ' || p.reason, NULL, p.id
  FROM part_change p JOIN part ON part.id = p.part_id WHERE part.job_id = $1`
/** What happened to a job and its checks, the newest first. */
export const eventsOfJob = (sql: Sql, jobId: string) =>
  sql.rows<{ at: Date; who: string; what: string; check_id: string | null; title: string | null }>(
    `SELECT h.at, h.who, h.what, h.check_id, c.title FROM (
      SELECT e.at, e.who, e.what, c.id AS check_id, e.version, e.id FROM event e LEFT JOIN checks c ON c.id = e.subject
      WHERE e.subject = $1 OR c.job_id = $1 OR e.subject IN (SELECT id FROM photo WHERE job_id = $1)
      UNION ALL SELECT x.at, x.by_name, x.what, x.check_id, 0, x.id FROM (${ELSEWHERE}) AS x (at, by_name, what, check_id, id)
      WHERE NOT EXISTS (SELECT 1 FROM event e WHERE e.id = x.id)) h
    LEFT JOIN checks c ON c.id = h.check_id ORDER BY h.at DESC, h.version DESC, h.id`,
    [jobId],
  )
/** Pieces of a size that went into a machine, came out, were lapped or made: told by the check that did it. */
const MOVED = `SELECT m.at, COALESCE(e.who, ''), CASE m.why WHEN 'fit' THEN abs(m.change) || ' fitted' WHEN 'return' THEN m.change || ' came out'
    WHEN 'lap' THEN 'Taken to be lapped' ELSE 'Made' END || CASE WHEN m.note = '' THEN '' ELSE ', ' || m.note END, m.id
  FROM movement m LEFT JOIN event e ON e.id = split_part(m.id, ':', 1) WHERE m.lot_id = $1 AND m.why IN ('fit', 'return', 'lap', 'made')`
/** What happened to a size, a gauge, an entry of the library or an order, the newest first. */
export const eventsOfThing = (sql: Sql, id: string) =>
  sql.rows<{ at: Date; who: string; what: string }>(
    `SELECT at, who, what FROM (SELECT at, who, what, id FROM event WHERE subject = $1 UNION ALL ${MOVED}) AS x (at, who, what, id)
    ORDER BY at DESC, id LIMIT 200`,
    [id],
  )
