import type { Movement } from '#core/command/happening'
import type { Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import type { StockLot } from '#core/shop/shop'
import { insertRows, updateRow } from './bulk'
import type { Sql } from './client'

export interface LotRow {
  id: string
  family: string
  nominal_nm: number
  measured_nm: number | null
  tolerance_plus_nm: number | null
  tolerance_minus_nm: number | null
  kept: number
  mark: string
  colour: string
  tags: string[]
  cost: number | null
  lead_days: number | null
  sizes: Nm[]
  scatter_nm: number | null
  inside_nm: number | null
  outside_nm: number | null
  apart: boolean
  shape: Lot['shape']
  version: number
  on_hand: number
  supplier: string
  article: string
  removed_at: Date | null
}

export const lotOf = (row: LotRow): Lot & { version: number } => ({
  id: row.id,
  family: row.family,
  nominal: row.nominal_nm as Nm,
  measured: row.measured_nm as Nm | null,
  tolerance: row.tolerance_plus_nm === null ? null : { plus: row.tolerance_plus_nm as Nm, minus: (row.tolerance_minus_nm ?? 0) as Nm },
  onHand: Math.max(0, Number(row.on_hand)),
  reserved: row.kept,
  mark: row.mark,
  colour: row.colour,
  tags: row.tags,
  cost: row.cost,
  leadDays: row.lead_days,
  ...(row.sizes.length > 0 ? { sizes: row.sizes } : {}),
  ...(row.scatter_nm === null ? {} : { scatter: row.scatter_nm as Nm }),
  ...(row.inside_nm === null ? {} : { inside: row.inside_nm as Nm }),
  ...(row.outside_nm === null ? {} : { outside: row.outside_nm as Nm }),
  ...(row.apart ? { apart: true } : {}),
  shape: row.shape,
  version: row.version,
})

const WITH_COUNT = 'SELECT lot.*, COALESCE((SELECT sum(change) FROM movement WHERE lot_id = lot.id), 0)::integer AS on_hand FROM lot'

export const allLots = async (sql: Sql) =>
  (await sql.rows<LotRow>(`${WITH_COUNT} WHERE removed_at IS NULL ORDER BY family, nominal_nm, measured_nm NULLS LAST, id`)).map(lotOf)
export const lotById = async (sql: Sql, id: string) =>
  (await sql.rows<LotRow>(`${WITH_COUNT} WHERE lot.id = $1 AND removed_at IS NULL`, [id])).map(lotOf)[0]
/** Sizes of which this is the article, or the name. */
export const lotsNamed = async (sql: Sql, text: string): Promise<Lot[]> =>
  (
    await sql.rows<LotRow>(
      `${WITH_COUNT} WHERE removed_at IS NULL AND NOT lot.apart AND (lower(lot.article) = lower($1) OR lower(lot.id) = lower($1)) ORDER BY lot.id LIMIT 9`,
      [text],
    )
  ).map(lotOf)
/** Articles that read as a figure. */
export const articlesLikeFigures = async (sql: Sql): Promise<string[]> =>
  (
    await sql.rows<{ article: string }>(
      `SELECT DISTINCT article FROM lot WHERE removed_at IS NULL AND NOT apart AND article ~ '^[-+]?[0-9][0-9., ]*$' ORDER BY 1 LIMIT 500`,
    )
  ).map(({ article }) => article)
/** Who the sizes are bought from, and what they call them, with each. */
const bought = (row: LotRow): StockLot => ({
  ...lotOf(row),
  supplier: row.supplier,
  article: row.article,
  ...(row.removed_at === null ? {} : { removed: true }),
})
/** Sizes by their names, removed ones too, and those that are like them: of a family, and marked the same. */
export const lotsAlike = async (sql: Sql, ids: readonly string[]): Promise<StockLot[]> =>
  (
    await sql.rows<LotRow>(
      `${WITH_COUNT} WHERE lot.id = ANY($1) OR (lot.family, lot.nominal_nm) IN (SELECT family, nominal_nm FROM lot WHERE id = ANY($1)) ORDER BY lot.id`,
      [ids],
    )
  ).map(bought)
/** As a page puts in what a write adds: see `asListed`. */
const AS_LISTED = 'ORDER BY family COLLATE "C", nominal_nm, measured_nm NULLS LAST, id COLLATE "C"'
/** Sizes by their names, removed ones too. */
export const lotsByIds = async (sql: Sql, ids: readonly string[]): Promise<StockLot[]> =>
  (await sql.rows<LotRow>(`${WITH_COUNT} WHERE lot.id = ANY($1) ${AS_LISTED}`, [ids])).map(bought)
/** The drawer, or a part of it. */
export const listedLots = async (sql: Sql, skip = 0, limit: number | null = null): Promise<StockLot[]> =>
  (await sql.rows<LotRow>(`${WITH_COUNT} WHERE removed_at IS NULL ${AS_LISTED} LIMIT $1 OFFSET $2`, [limit, skip])).map(bought)
export const boughtFrom = (sql: Sql, id: string, { supplier, article }: Pick<StockLot, 'supplier' | 'article'>) =>
  sql.rows('UPDATE lot SET supplier = $2, article = $3 WHERE id = $1', [id, supplier, article])

/** The sizes a check may choose from or ever held, with what is promised to other checks. */
export const LOTS_OF_CHECK = `SELECT l.*, COALESCE((SELECT sum(m.change) FROM movement m WHERE m.lot_id = l.id), 0)::integer AS on_hand,
    COALESCE((SELECT sum(r.count) FROM reserve r WHERE r.lot_id = l.id AND r.check_id <> c.id), 0)::integer AS promised
  FROM lot l WHERE (l.family = c.family AND l.removed_at IS NULL) OR l.id IN (SELECT p.lot_id FROM trial_piece p JOIN pack_listing x ON x.id = p.listing_id JOIN trial t ON t.id = x.trial_id WHERE t.check_id = c.id)
  ORDER BY l.family, l.nominal_nm, l.measured_nm NULLS LAST, l.id`

export const lotColumns = (lot: Omit<Lot, 'onHand'>) => ({
  id: lot.id,
  family: lot.family,
  nominal_nm: lot.nominal,
  measured_nm: lot.measured,
  tolerance_plus_nm: lot.tolerance?.plus ?? null,
  tolerance_minus_nm: lot.tolerance?.minus ?? null,
  kept: lot.reserved,
  mark: lot.mark,
  colour: lot.colour,
  tags: lot.tags,
  cost: lot.cost,
  shape: lot.shape,
  lead_days: lot.leadDays,
  sizes: lot.sizes ?? (lot.measured === null ? [] : [lot.measured]),
  scatter_nm: lot.scatter ?? null,
  inside_nm: lot.inside ?? null,
  outside_nm: lot.outside ?? null,
  apart: lot.apart ?? false,
})

/** A new lot with nothing on hand; one that is known by its id stays as it is. True when it was added. */
export async function insertLot(sql: Sql, lot: Omit<Lot, 'onHand'>): Promise<boolean> {
  const added = await insertRows(sql, 'lot', [lotColumns(lot)], 'ON CONFLICT (id) DO NOTHING RETURNING id')
  return added.length > 0
}

export function updateLot(sql: Sql, lot: Omit<Lot, 'onHand'>) {
  const { id, ...columns } = lotColumns(lot)
  return updateRow(sql, 'lot', id, columns)
}

export const insertMovement = (sql: Sql, m: Movement) =>
  sql.rows('INSERT INTO movement (id, lot_id, change, why, note, trial_id) VALUES ($1, $2, $3, $4, $5, $6)', [
    m.id,
    m.lotId,
    m.change,
    m.why,
    m.note,
    m.trialId ?? null,
  ])
