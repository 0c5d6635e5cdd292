import type { Photo } from '#shared/types'
import type { Sql } from './client'

/** What a photograph is of. */
export type PhotoOf = { readonly unit: string } | { readonly job: string; readonly check: string | null }

interface PhotoRow {
  id: string
  caption: string
  width: number
  height: number
  who: string
  version: number
  at: Date
  check_id: string | null
  check_title: string | null
}
const PHOTO = `SELECT p.id, p.caption, p.width, p.height, p.who, p.version, p.at, c.id AS check_id, c.title AS check_title
  FROM photo p LEFT JOIN checks c ON c.id = p.check_id`
const photoOf = ({ at, check_id, check_title, ...row }: PhotoRow): Photo => ({
  ...row,
  at: at.toISOString(),
  check: check_id === null ? null : { id: check_id, title: check_title! },
})
const photos = async (sql: Sql, where: string, id: string): Promise<Photo[]> =>
  (await sql.rows<PhotoRow>(`${PHOTO} WHERE ${where} AND p.removed_at IS NULL ORDER BY p.at, p.id`, [id])).map(photoOf)

export const photosOfJob = (sql: Sql, jobId: string) => photos(sql, 'p.job_id = $1', jobId)
/** Of the unit itself, not of its jobs. */
export const photosOfUnit = (sql: Sql, unitId: string) => photos(sql, 'p.unit_id = $1', unitId)

export const photoRow = async (sql: Sql, id: string) =>
  (
    await sql.rows<{ unit_id: string | null; job_id: string | null; caption: string; version: number }>(
      'SELECT unit_id, job_id, caption, version FROM photo WHERE id = $1',
      [id],
    )
  )[0]
/** The file itself. */
export const photoBytes = async (sql: Sql, id: string) =>
  (await sql.rows<{ bytes: Uint8Array }>('SELECT bytes FROM photo WHERE id = $1 AND removed_at IS NULL', [id]))[0]?.bytes

export const insertPhoto = (
  sql: Sql,
  of: PhotoOf,
  p: { id: string; caption: string; width: number; height: number; bytes: Buffer; who: string },
) =>
  sql.rows('INSERT INTO photo (id, unit_id, job_id, check_id, caption, width, height, bytes, who) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9)', [
    p.id,
    'unit' in of ? of.unit : null,
    'job' in of ? of.job : null,
    'job' in of ? of.check : null,
    p.caption,
    p.width,
    p.height,
    p.bytes,
    p.who,
  ])
export const updateCaption = (sql: Sql, id: string, caption: string) =>
  sql.rows('UPDATE photo SET caption = $2, version = version + 1 WHERE id = $1', [id, caption])
