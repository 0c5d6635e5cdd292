import type { PackPiece } from '#core/pack/lot'
import type { Families, LotUse, LotUses } from '#shared/types'
import type { Sql } from './client'

// Where pieces are: in machines, by the newest fitting of each check, and promised. What was ever used is read a size and a page at a
// time: in a shop of ten thousand jobs a size has thousands of uses.

/** Of so many open checks, those that press most first, the drawer says what they hold. */
const OPEN_CHECKS = 40
/** Uses of a size at once. */
const PAGE = 50

/** The pieces of the newest fitting of each check `c`. */
const SITTING = `JOIN LATERAL (SELECT id FROM trial WHERE check_id = c.id ORDER BY ordinal DESC LIMIT 1) t ON true
  JOIN LATERAL (SELECT DISTINCT ON (place) id FROM pack_listing WHERE trial_id = t.id ORDER BY place, id DESC) l ON true
  JOIN trial_piece p ON p.listing_id = l.id`
/** A piece of a listing that is the newest of its place, in the newest fitting of its check. */
const SITS = `NOT EXISTS (SELECT 1 FROM pack_listing n WHERE n.trial_id = l.trial_id AND n.place = l.place AND n.id > l.id)
  AND NOT EXISTS (SELECT 1 FROM trial n WHERE n.check_id = t.check_id AND n.ordinal > t.ordinal) AND c.removed_at IS NULL`
const OF_LISTING = `trial_piece p JOIN pack_listing l ON l.id = p.listing_id JOIN trial t ON t.id = l.trial_id JOIN checks c ON c.id = t.check_id`
const COLUMNS = `c.id AS "checkId", c.title AS "checkTitle", u.name AS unit, c.signed`

/** How many of some sizes sit in a machine now. */
export const fittedOf = (sql: Sql, lots: readonly string[]) =>
  sql.rows<PackPiece>(
    `SELECT p.lot_id AS "lotId", sum(p.count)::integer AS count FROM ${OF_LISTING} WHERE p.lot_id = ANY($1) AND ${SITS} GROUP BY p.lot_id`,
    [lots],
  )

/** What open checks hold and what is promised to them, those that press most first. */
export const openUses = (sql: Sql) =>
  sql.rows<LotUse>(
    `WITH open AS (SELECT id, job_id, title, signed FROM checks WHERE NOT signed AND removed_at IS NULL ORDER BY pressing, created_at DESC, position, id LIMIT $1)
    SELECT p.lot_id AS "lotId", sum(p.count)::integer AS count, ${COLUMNS}, false AS promised
    FROM open c JOIN job j ON j.id = c.job_id JOIN unit u ON u.id = j.unit_id ${SITTING} GROUP BY p.lot_id, c.id, c.title, c.signed, u.name
    UNION ALL (SELECT r.lot_id, sum(r.count)::integer, ${COLUMNS}, true
    FROM reserve r JOIN checks c ON c.id = r.check_id JOIN job j ON j.id = c.job_id JOIN unit u ON u.id = j.unit_id
    GROUP BY r.lot_id, c.id, c.title, c.signed, u.name LIMIT $1)
    ORDER BY unit, "checkTitle"`,
    [OPEN_CHECKS],
  )

/**
 * What checks hold of a size: promised first, then the newest listing first.
 * @param before  the listing the page before ended with; null: from the newest
 */
export async function usesOfLot(sql: Sql, id: string, before: number | null): Promise<LotUses> {
  const promised =
    before === null
      ? await sql.rows<LotUse>(
          `SELECT r.lot_id AS "lotId", sum(r.count)::integer AS count, ${COLUMNS}, true AS promised
          FROM reserve r JOIN checks c ON c.id = r.check_id JOIN job j ON j.id = c.job_id JOIN unit u ON u.id = j.unit_id
          WHERE r.lot_id = $1 GROUP BY r.lot_id, c.id, c.title, c.signed, u.name ORDER BY unit, "checkTitle" LIMIT $2`,
          [id, PAGE],
        )
      : []
  const fitted = await sql.rows<LotUse & { listing: number }>(
    `SELECT p.lot_id AS "lotId", p.count, ${COLUMNS}, false AS promised, l.id AS listing
    FROM ${OF_LISTING} JOIN job j ON j.id = c.job_id JOIN unit u ON u.id = j.unit_id
    WHERE p.lot_id = $1 AND p.listing_id < $2 AND ${SITS} ORDER BY p.listing_id DESC LIMIT $3`,
    [id, before ?? Number.MAX_SAFE_INTEGER, PAGE + 1],
  )
  const page = fitted.slice(0, PAGE)
  return {
    uses: [...promised, ...page.map(({ listing: _, ...use }) => use)],
    before: fitted.length > PAGE ? page.at(-1)!.listing : null,
  }
}

/** The families of the drawer, and which of them checks of a kind took their pieces from, the newest check first. */
export async function families(sql: Sql): Promise<Families> {
  const all = await sql.rows<{ family: string }>('SELECT DISTINCT family FROM lot WHERE removed_at IS NULL ORDER BY family')
  const usedFor = await sql.rows<Families['usedFor'][number]>(
    `SELECT kind, family FROM checks WHERE family <> '' AND removed_at IS NULL GROUP BY kind, family ORDER BY max(created_at) DESC, kind, family`,
  )
  return { families: all.map(({ family }) => family), usedFor }
}
