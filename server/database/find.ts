import type { Sql } from './client'

/** All that is said of some jobs, a text each. */
const SAID = `SELECT job.id, COALESCE(job.came_in, to_char(job.created_at, 'YYYY-MM-DD')) AS day, concat_ws(' ', unit.name, unit.description, unit.type, unit.notes,
    job.title, job.notes, job.reference, job.stage, to_char(COALESCE(job.came_in::date, job.created_at::date), 'FMMonth YYYY DD'),
    (SELECT string_agg(concat_ws(' ', c.title, c.kind, c.word, c.note, CASE WHEN c.accepted THEN 'accepted' END, CASE WHEN c.signed THEN 'signed' END), ' ')
      FROM checks c WHERE c.job_id = job.id AND c.removed_at IS NULL),
    (SELECT string_agg(part.name, ' ') FROM part WHERE part.job_id = job.id),
    (SELECT string_agg(concat_ws(' ', p.reason, p.by_name), ' ') FROM part_change p JOIN part ON part.id = p.part_id WHERE part.job_id = job.id),
    (SELECT string_agg(concat_ws(' ', s.by_name, s.reason, r.by_name, r.reason), ' ') FROM sign_off s LEFT JOIN reopening r ON r.sign_off_id = s.id
      JOIN checks c ON c.id = s.check_id WHERE c.job_id = job.id),
    (SELECT string_agg(x.by_name, ' ') FROM clearing x JOIN checks c ON c.id = x.check_id WHERE c.job_id = job.id),
    (SELECT string_agg(photo.caption, ' ') FROM photo WHERE photo.job_id = job.id AND photo.removed_at IS NULL),
    (SELECT string_agg(DISTINCT concat_ws(' ', lot.family, lot.mark, lot.colour), ' ') FROM trial_piece f JOIN pack_listing l ON l.id = f.listing_id
      JOIN trial t ON t.id = l.trial_id JOIN checks c ON c.id = t.check_id JOIN lot ON lot.id = f.lot_id WHERE c.job_id = job.id),
    (SELECT string_agg(concat_ws(' ', p.supplier, p.reference, lot.family, lot.article, o.cancelled, o.who), ' ') FROM order_line o
      JOIN checks c ON c.id = o.check_id JOIN lot ON lot.id = o.lot_id LEFT JOIN purchase p ON p.id = o.purchase_id
      WHERE c.job_id = job.id AND o.dropped_at IS NULL)) AS said
  FROM job JOIN unit ON unit.id = job.unit_id WHERE job.id = ANY($1) AND job.removed_at IS NULL`

export const unreadJobs = async (sql: Sql, most: number): Promise<string[]> =>
  (await sql.rows<{ job_id: string }>('SELECT job_id FROM job_unread ORDER BY job_id LIMIT $1', [most])).map(({ job_id }) => job_id)

export const saidOf = (sql: Sql, jobs: readonly string[]) => sql.rows<{ id: string; day: string; said: string }>(SAID, [jobs])

/** Keeps the words of some jobs; those that are gone have none. */
export async function keepWords(
  sql: Sql,
  jobs: readonly string[],
  words: readonly { readonly id: string; readonly day: string; readonly words: readonly string[] }[],
): Promise<void> {
  await sql.rows('DELETE FROM job_words WHERE job_id = ANY($1)', [jobs])
  await sql.rows(
    `INSERT INTO job_words (job_id, day, words) SELECT id, day, array_to_tsvector(ARRAY(SELECT json_array_elements_text(words)))
    FROM json_to_recordset($1) AS w (id text, day text, words json)`,
    [JSON.stringify(words)],
  )
  await sql.rows('DELETE FROM job_unread WHERE job_id = ANY($1)', [jobs])
}

export interface Asked {
  /** a tsquery; null: any words */
  readonly question: string | null
  /** days, the first and the last */
  readonly from: string | null
  readonly to: string | null
  readonly skip: number
  readonly limit: number
}
/** Jobs that have all the words, the newest first, and how many there are. */
export async function jobsWith(sql: Sql, { question, from, to, skip, limit }: Asked): Promise<{ ids: string[]; found: number }> {
  const where = `($1::tsquery IS NULL OR words @@ $1::tsquery) AND ($2::text IS NULL OR day >= $2) AND ($3::text IS NULL OR day <= $3)`
  const filters = [question, from, to]
  const rows = await sql.rows<{ job_id: string }>(
    `SELECT job_id FROM job_words WHERE ${where} ORDER BY day DESC, job_id LIMIT $4 OFFSET $5`,
    [...filters, limit, skip],
  )
  const [count] = await sql.rows<{ n: number }>(`SELECT count(*)::integer AS n FROM job_words WHERE ${where}`, filters)
  return { ids: rows.map(({ job_id }) => job_id), found: count!.n }
}
