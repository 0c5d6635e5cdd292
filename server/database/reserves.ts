import type { Pack } from '#core/pack/lot'
import type { Sql } from './client'

/** What is promised to each place of a check. */
export const RESERVES = 'SELECT r.place, r.lot_id, r.count FROM reserve r WHERE r.check_id = c.id ORDER BY r.place, r.lot_id'
export function reservesOf(rows: readonly { place: string; lot_id: string; count: number }[]): Record<string, Pack> {
  const packs: Record<string, Pack> = {}
  for (const row of rows) packs[row.place] = [...(packs[row.place] ?? []), { lotId: row.lot_id, count: row.count }]
  return packs
}

/** How many of each size are promised to checks. */
export const promisedByLot = async (sql: Sql): Promise<ReadonlyMap<string, number>> =>
  new Map(
    (await sql.rows<{ lot_id: string; count: number }>('SELECT lot_id, sum(count)::integer AS count FROM reserve GROUP BY lot_id')).map(
      row => [row.lot_id, row.count],
    ),
  )

/** Promises a place these pieces and no others; none: the promise is taken back. */
export async function reserve(sql: Sql, checkId: string, place: string, pack: Pack): Promise<void> {
  await sql.rows('DELETE FROM reserve WHERE check_id = $1 AND place = $2', [checkId, place])
  for (const piece of pack)
    await sql.rows('INSERT INTO reserve (check_id, place, lot_id, count) VALUES ($1,$2,$3,$4)', [checkId, place, piece.lotId, piece.count])
}

/** Takes so many pieces of a size out of what other checks were promised, the newest promise first. */
export async function releaseFromOthers(sql: Sql, checkId: string, lotId: string, count: number): Promise<void> {
  const rows = await sql.rows<{ check_id: string; place: string; count: number }>(
    'SELECT check_id, place, count FROM reserve WHERE lot_id = $1 AND check_id <> $2 ORDER BY at DESC, check_id, place',
    [lotId, checkId],
  )
  let left = count
  for (const row of rows) {
    if (left <= 0) return
    const taken = Math.min(left, row.count)
    left -= taken
    await (taken === row.count
      ? sql.rows('DELETE FROM reserve WHERE check_id = $1 AND place = $2 AND lot_id = $3', [row.check_id, row.place, lotId])
      : sql.rows('UPDATE reserve SET count = count - $4 WHERE check_id = $1 AND place = $2 AND lot_id = $3', [
          row.check_id,
          row.place,
          lotId,
          taken,
        ]))
  }
}

/** One piece more is promised to a place. */
export const addToPromise = (sql: Sql, checkId: string, place: string, lotId: string) =>
  sql.rows(
    `INSERT INTO reserve (check_id, place, lot_id, count) VALUES ($1, $2, $3, 1)
    ON CONFLICT (check_id, place, lot_id) DO UPDATE SET count = reserve.count + 1`,
    [checkId, place, lotId],
  )
/** One piece less, where one is. */
export async function takeFromPromise(sql: Sql, checkId: string, place: string, lotId: string): Promise<void> {
  const one = [checkId, place, lotId]
  await sql.rows('DELETE FROM reserve WHERE check_id = $1 AND place = $2 AND lot_id = $3 AND count = 1', one)
  await sql.rows('UPDATE reserve SET count = count - 1 WHERE check_id = $1 AND place = $2 AND lot_id = $3 AND count > 1', one)
}
