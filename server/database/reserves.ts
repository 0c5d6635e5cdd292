import type { Pack } from '#core/pack/lot'
import type { Promised } from '#core/shop/shop'
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

/** So many pieces more, or fewer, are promised to a place; with none left the promise is gone. */
export async function changePromise(sql: Sql, { check, place, lotId }: Omit<Promised, 'count'>, change: number): Promise<void> {
  const one = [check, place, lotId, Math.abs(change)]
  if (change > 0) {
    await sql.rows(
      `INSERT INTO reserve (check_id, place, lot_id, count) VALUES ($1, $2, $3, $4)
      ON CONFLICT (check_id, place, lot_id) DO UPDATE SET count = reserve.count + $4`,
      one,
    )
    return
  }
  await sql.rows('DELETE FROM reserve WHERE check_id = $1 AND place = $2 AND lot_id = $3 AND count <= $4', one)
  await sql.rows('UPDATE reserve SET count = count - $4 WHERE check_id = $1 AND place = $2 AND lot_id = $3', one)
}

/** What is promised of some sizes, the newest promise first. */
export const promisesOf = (sql: Sql, lots: readonly string[]) =>
  sql.rows<Promised>(
    'SELECT check_id AS check, place, lot_id AS "lotId", count FROM reserve WHERE lot_id = ANY($1) ORDER BY at DESC, check_id, place, lot_id',
    [lots],
  )
