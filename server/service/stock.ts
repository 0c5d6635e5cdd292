import type { StockLot } from '#core/shop/shop'
import type { ChangeLotCommand } from '#core/shop/commands'
import type { StockView } from '#shared/types'
import type { ApartDto, LotChangeDto, MovementDto, NewLotDto } from '#shared/dto/stock'
import type { CommandDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { comingPieces } from '../database/orders'
import { promisesOf } from '../database/reserves'
import { listedLots, lotsAlike } from '../database/stock'
import { fittedOf, openUses } from '../database/uses'
import { asSent, commandShop, type ShopBody } from './shop'

/** So many sizes go over the wire at once. */
const SIZES_AT_ONCE = 200

/** A part of the drawer, and with the first what its pieces are wanted for. @param skip  sizes that were listed before */
export async function stockView(sql: Sql, skip = 0): Promise<StockView> {
  const lots = await listedLots(sql, skip, SIZES_AT_ONCE + 1)
  const more = lots.length > SIZES_AT_ONCE ? skip + SIZES_AT_ONCE : null
  return stockOf(sql, lots.slice(0, SIZES_AT_ONCE), { of: null, more, isFirst: skip === 0 })
}
/** What a write to some sizes leaves: they and those like them, as far as they are listed still. */
export async function stockChange(sql: Sql, ids: readonly string[]): Promise<StockView> {
  const lots = await lotsAlike(sql, ids)
  const of = [...new Set([...ids, ...lots.map(({ id }) => id)])]
  return stockOf(
    sql,
    lots.filter(({ removed }) => !removed),
    { of, more: null, isFirst: true },
  )
}
async function stockOf(
  sql: Sql,
  lots: readonly StockLot[],
  { isFirst, ...rest }: Pick<StockView, 'of' | 'more'> & { isFirst: boolean },
): Promise<StockView> {
  const away = lots.filter(({ apart, onHand }) => apart && onHand === 0).map(({ id }) => id)
  const held = new Set([...(await fittedOf(sql, away)), ...(await promisesOf(sql, away))].map(({ lotId }) => lotId))
  return {
    lots,
    ...rest,
    uses: isFirst ? await openUses(sql) : [],
    gone: away.filter(id => !held.has(id)),
    coming: isFirst ? await comingPieces(sql) : [],
  }
}

/** Some sizes, those like them, what of them is promised, and what sits in machines. */
export async function drawerWith(sql: Sql, ids: readonly string[]) {
  const lots = await lotsAlike(sql, ids)
  const all = lots.map(({ id }) => id)
  return { lots, promises: await promisesOf(sql, all), fitted: await fittedOf(sql, all) }
}

export const addLot = (db: Database, dto: NewLotDto): Promise<StockView> =>
  commandShop(
    db,
    dto,
    sql => drawerWith(sql, [dto.id]),
    {
      kind: 'add-lot',
      count: dto.count,
      lot: {
        id: dto.id,
        family: dto.family.trim(),
        nominal: dto.nominal,
        measured: dto.measured ?? null,
        tolerance: dto.tolerance ? { plus: dto.tolerance.plus, minus: dto.tolerance.minus } : null,
        reserved: 0,
        mark: dto.mark ?? '',
        colour: dto.colour ?? '',
        tags: dto.tags ?? [],
        cost: dto.cost ?? null,
        leadDays: dto.leadDays ?? null,
        shape: dto.shape ?? 'flat',
        ...(dto.inside === undefined ? {} : { inside: dto.inside }),
        ...(dto.outside === undefined ? {} : { outside: dto.outside }),
        supplier: dto.supplier?.trim() ?? '',
        article: dto.article?.trim() ?? '',
      },
    },
    sql => stockChange(sql, [dto.id]),
  )

/** What is done to a size that is there, as the writer saw it. */
const onLot = (db: Database, id: string, dto: CommandDto, body: ShopBody, others: readonly string[] = []) =>
  commandShop(
    db,
    dto,
    sql => drawerWith(sql, [id, ...others]),
    body,
    sql => stockChange(sql, [id, ...others]),
    { id, version: dto.version },
  )

export const moveStock = (db: Database, id: string, dto: MovementDto): Promise<StockView> =>
  onLot(db, id, dto, { kind: 'move', lotId: id, why: dto.why, change: dto.change, note: dto.note ?? '' })

export const changeLot = (db: Database, id: string, dto: LotChangeDto): Promise<StockView> => {
  const { sizes, scatter, kept, mark, colour, cost, leadDays, inside, outside } = dto
  const bought = { supplier: dto.supplier?.trim(), article: dto.article?.trim() }
  const change = asSent<ChangeLotCommand['change']>({
    sizes,
    scatter,
    reserved: kept,
    mark,
    colour,
    cost,
    leadDays,
    inside,
    outside,
    ...bought,
  })
  return onLot(db, id, dto, { kind: 'change-lot', lotId: id, change })
}

export const tellApart = (db: Database, id: string, dto: ApartDto): Promise<StockView> =>
  onLot(db, id, dto, { kind: 'tell-apart', lotId: id, id: dto.id, size: dto.size, mark: dto.mark.trim() }, [dto.id])

export const joinLike = (db: Database, id: string, dto: CommandDto): Promise<StockView> =>
  onLot(db, id, dto, { kind: 'join-like', lotId: id })
