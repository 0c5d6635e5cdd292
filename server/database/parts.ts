import type { PartChange } from '#core/check/document'
import type { JobPart } from '#core/check/parts'
import type { JobPartView } from '#shared/types'
import type { Sql } from './client'
import { moment } from './moment'

export const partsOfJob = (sql: Sql, jobId: string) =>
  sql.rows<JobPart>('SELECT id, name FROM part WHERE job_id = $1 ORDER BY created_at, name', [jobId])
export const insertPart = (sql: Sql, jobId: string, part: JobPart) =>
  sql.rows('INSERT INTO part (id, job_id, name) VALUES ($1,$2,$3)', [part.id, jobId, part.name])

export const PARTS = 'SELECT p.role, p.part_id FROM check_part p WHERE p.check_id = c.id ORDER BY p.role'
export const partsOf = (rows: readonly { role: string; part_id: string }[]): Record<string, string> =>
  Object.fromEntries(rows.map(row => [row.role, row.part_id]))
export const bindPart = (sql: Sql, checkId: string, role: string, partId: string) =>
  sql.rows('INSERT INTO check_part (check_id, role, part_id) VALUES ($1,$2,$3) ON CONFLICT (check_id, role) DO UPDATE SET part_id = $3', [
    checkId,
    role,
    partId,
  ])

/** What was replaced of what a check rests on, oldest first. */
export const CHANGES = `SELECT COALESCE(p.role, '*') AS role, x.at, x.reason, x.seq FROM part_change x LEFT JOIN check_part p ON p.part_id = x.part_id AND p.check_id = c.id
  WHERE p.check_id = c.id OR x.check_id = c.id ORDER BY x.seq, p.role`
export const changeOf = (row: { role: string; at: string; reason: string; seq: number }): PartChange => ({
  role: row.role,
  at: moment(row.at),
  reason: row.reason,
  order: row.seq,
})

export interface NewPartChange {
  readonly id: string
  readonly partId: string | null
  readonly checkId: string | null
  readonly reason: string
  readonly by: string
  readonly at: string
}
/** @returns its place in the order of what happened; that of before when it is known already */
export async function insertPartChange(sql: Sql, c: NewPartChange): Promise<number> {
  const [row] = await sql.rows<{ seq: number }>(
    `WITH added AS (INSERT INTO part_change (id, part_id, check_id, reason, by_name, at) VALUES ($1,$2,$3,$4,$5,$6) ON CONFLICT (id) DO NOTHING RETURNING seq)
    SELECT seq FROM added UNION ALL SELECT seq FROM part_change WHERE id = $1 LIMIT 1`,
    [c.id, c.partId, c.checkId, c.reason, c.by, moment(c.at)],
  )
  return row!.seq
}

/** Checks that rest on a part. */
export const checksOnPart = async (sql: Sql, partId: string) =>
  (await sql.rows<{ check_id: string }>('SELECT DISTINCT check_id FROM check_part WHERE part_id = $1', [partId])).map(row => row.check_id)

/** The parts of a job with the checks that rest on them and what was done to them, oldest first. */
export async function partViews(sql: Sql, jobId: string): Promise<JobPartView[]> {
  const parts = await partsOfJob(sql, jobId)
  const checks = await sql.rows<{ part_id: string; title: string }>(
    'SELECT DISTINCT cp.part_id, c.title, c.position FROM check_part cp JOIN checks c ON c.id = cp.check_id WHERE c.job_id = $1 ORDER BY c.position',
    [jobId],
  )
  const changes = await sql.rows<{ part_id: string; at: Date; reason: string; by_name: string }>(
    'SELECT pc.* FROM part_change pc JOIN part p ON p.id = pc.part_id WHERE p.job_id = $1 ORDER BY pc.at, pc.id',
    [jobId],
  )
  return parts.map(part => ({
    ...part,
    checks: checks.filter(check => check.part_id === part.id).map(check => check.title),
    changes: changes
      .filter(change => change.part_id === part.id)
      .map(change => ({ at: change.at.toISOString(), reason: change.reason, by: change.by_name })),
  }))
}
