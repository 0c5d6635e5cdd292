import type { Pack } from '#core/pack/lot'
import type { Sql } from './client'

/** What is promised to each place of a check. */
export async function reservesOf(sql: Sql, checkId: string): Promise<Record<string, Pack>> {
  const rows = await sql.rows<{ place: string; lot_id: string; count: number }>(
    'SELECT * FROM reserve WHERE check_id = $1 ORDER BY place, lot_id',
    [checkId],
  )
  const packs: Record<string, Pack> = {}
  for (const row of rows) packs[row.place] = [...(packs[row.place] ?? []), { lotId: row.lot_id, count: row.count }]
  return packs
}

/** Promises a place these pieces and no others; none: the promise is taken back. */
export async function reserve(sql: Sql, checkId: string, place: string, pack: Pack): Promise<void> {
  await sql.rows('DELETE FROM reserve WHERE check_id = $1 AND place = $2', [checkId, place])
  for (const piece of pack)
    await sql.rows('INSERT INTO reserve (check_id, place, lot_id, count) VALUES ($1,$2,$3,$4)', [checkId, place, piece.lotId, piece.count])
}
export const releaseAll = (sql: Sql, checkId: string) => sql.rows('DELETE FROM reserve WHERE check_id = $1', [checkId])

/** Pieces of each size promised to checks other than this one. */
export async function promisedToOthers(sql: Sql, checkId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await sql.rows<{ lot_id: string; count: number }>(
    'SELECT lot_id, sum(count)::integer AS count FROM reserve WHERE check_id <> $1 GROUP BY lot_id',
    [checkId],
  )
  return new Map(rows.map(row => [row.lot_id, row.count]))
}
