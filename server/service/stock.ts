import { formatLength } from '#core/quantity/format-length'
import { pieceApart, withSizes, type Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import type { StockView } from '#shared/types'
import type { ApartDto, LotChangeDto, MovementDto, NewLotDto } from '#shared/dto/stock'
import type { CommandDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { comingPieces } from '../database/orders'
import { isRepeat } from './once'
import { allLots, boughtFrom, stockLots, insertLot, insertMovement, lotById, familyUses, lotUses, updateLot } from '../database/stock'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'

export const stockView = async (sql: Sql): Promise<StockView> => ({
  lots: await stockLots(sql),
  uses: await lotUses(sql),
  usedFor: await familyUses(sql),
  coming: await comingPieces(sql),
})

async function commandLot(
  db: Database,
  id: string,
  command: CommandDto,
  work: (sql: Sql, lot: Lot & { readonly version: number }) => Promise<{ next: Lot; what: string }>,
): Promise<StockView> {
  return db.transaction(async sql => {
    const lot = await lotById(sql, id)
    if (!lot) throw notFound('size in the drawer')
    if (!(await isRepeat(sql, command))) {
      await assertFresh(sql, id, command.version, lot.version)
      const { next, what } = await work(sql, lot)
      await updateLot(sql, next)
      await insertEvent(sql, command, { subject: id, version: lot.version + 1, what })
    }
    return stockView(sql)
  })
}

export async function addLot(db: Database, dto: NewLotDto): Promise<StockView> {
  return db.transaction(async sql => {
    if (await isRepeat(sql, dto)) return stockView(sql)
    const added = await insertLot(sql, {
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
      ...diametersOf(dto),
    })
    if (!added) throw refuse(409, 'That id is taken.', 'id')
    if (dto.supplier || dto.article)
      await boughtFrom(sql, dto.id, { supplier: dto.supplier?.trim() ?? '', article: dto.article?.trim() ?? '' })
    if (dto.count > 0) await insertMovement(sql, { id: `${dto.op}:in`, lotId: dto.id, change: dto.count, why: 'take-in', note: '' })
    await insertEvent(sql, dto, { subject: dto.id, version: 1, what: 'Size added' })
    return stockView(sql)
  })
}

export const moveStock = (db: Database, id: string, dto: MovementDto): Promise<StockView> =>
  commandLot(db, id, dto, async (sql, lot) => {
    if (lot.onHand + dto.change < 0) throw refuse(422, `There are only ${lot.onHand}: the count cannot fall below none.`, 'change')
    if (dto.why === 'take-in' && dto.change <= 0) throw refuse(422, 'Taking in adds pieces. To lower the count, correct it.', 'change')
    if (dto.change > 0 && lot.apart && lot.onHand + dto.change > 1)
      throw refuse(422, 'This is one piece, told apart from its like. Take new ones in under their size.', 'change')
    await insertMovement(sql, { id: `${dto.op}:move`, lotId: id, change: dto.change, why: dto.why, note: dto.note ?? '' })
    return { next: lot, what: dto.why === 'take-in' ? `${dto.change} taken in` : `Count corrected by ${dto.change}: ${dto.note}` }
  })

export const changeLot = (db: Database, id: string, dto: LotChangeDto): Promise<StockView> =>
  commandLot(db, id, dto, async (sql, lot) => {
    if (dto.supplier !== undefined || dto.article !== undefined) {
      const [bought] = await stockLots(sql, [id])
      await boughtFrom(sql, id, {
        supplier: dto.supplier?.trim() ?? bought!.supplier,
        article: dto.article?.trim() ?? bought!.article,
      })
    }
    if (lot.apart && dto.sizes && dto.sizes.length !== 1) throw refuse(422, 'This is one piece: it has one figure.', 'sizes')
    const { scatter: _, inside: __, outside: ___, ...plain } = dto.sizes === undefined ? lot : withSizes(lot, dto.sizes)
    const scatter = dto.scatter === undefined ? (lot.scatter ?? null) : dto.scatter
    return {
      next: {
        ...plain,
        ...(scatter === null ? {} : { scatter }),
        reserved: dto.kept ?? lot.reserved,
        mark: dto.mark ?? lot.mark,
        colour: dto.colour ?? lot.colour,
        cost: dto.cost === undefined ? lot.cost : dto.cost,
        leadDays: dto.leadDays === undefined ? lot.leadDays : dto.leadDays,
        ...diametersOf(dto, lot),
      },
      what: dto.sizes === undefined ? 'Size changed' : measuredWords(dto.sizes, lot.sizes ?? []),
    }
  })

/** Hole and rim of a washer; the rim is the larger. */
function diametersOf(
  dto: Pick<LotChangeDto, 'inside' | 'outside'>,
  lot: Pick<Lot, 'inside' | 'outside'> = {},
): Pick<Lot, 'inside' | 'outside'> {
  const inside = dto.inside === undefined ? lot.inside : (dto.inside ?? undefined)
  const outside = dto.outside === undefined ? lot.outside : (dto.outside ?? undefined)
  if (inside !== undefined && outside !== undefined && inside >= outside)
    throw refuse(422, 'The hole is smaller than the rim: inside below outside.', 'inside')
  return { ...(inside === undefined ? {} : { inside }), ...(outside === undefined ? {} : { outside }) }
}

const measuredWords = (sizes: readonly Nm[], before: readonly Nm[]): string =>
  sizes.length > before.length
    ? `A piece measured: ${formatLength(sizes.at(-1)!, 'thou', { unit: true })}`
    : sizes.length === 0
      ? 'Measured figures taken back'
      : `${sizes.length} ${sizes.length === 1 ? 'figure' : 'figures'} of its pieces kept`

/** A piece that is in the drawer is measured, and gets a place of its own. */
export const tellApart = (db: Database, id: string, dto: ApartDto): Promise<StockView> =>
  commandLot(db, id, dto, async (sql, lot) => {
    if (lot.apart) throw refuse(422, 'This is one piece already.', 'mark')
    if (lot.onHand - lot.reserved < 1) throw refuse(422, 'None of them is free in the drawer.', 'size')
    if (!(await insertLot(sql, pieceApart(lot, dto.id, dto.size, dto.mark.trim())))) throw refuse(409, 'That id is taken.', 'id')
    await insertMovement(sql, { id: `${dto.op}:from`, lotId: id, change: -1, why: 'sort', note: '' })
    await insertMovement(sql, { id: `${dto.op}:to`, lotId: dto.id, change: 1, why: 'sort', note: '' })
    return { next: lot, what: `A piece told apart: ${formatLength(dto.size, 'thou', { unit: true })}, ${dto.mark.trim()}` }
  })

/** A piece told apart goes back among its like, whose figures its own joins. */
export const joinLike = (db: Database, id: string, dto: CommandDto): Promise<StockView> =>
  commandLot(db, id, dto, async (sql, piece) => {
    if (!piece.apart) throw refuse(422, 'These are not told apart.', '')
    if (piece.onHand < 1) throw refuse(422, 'It is not in the drawer.', '')
    if ((await lotUses(sql)).some(use => use.lotId === id && use.promised)) throw refuse(409, 'It is kept for a check.', '')
    const like = (await allLots(sql)).find(lot => !lot.apart && lot.family === piece.family && lot.nominal === piece.nominal)
    if (!like) throw refuse(409, 'There are no others of its size in the drawer.', '')
    await insertMovement(sql, { id: `${dto.op}:from`, lotId: id, change: -1, why: 'sort', note: '' })
    await insertMovement(sql, { id: `${dto.op}:to`, lotId: like.id, change: 1, why: 'sort', note: '' })
    await updateLot(sql, withSizes(like, [...(like.sizes ?? []), piece.measured!].slice(-1000)))
    await insertEvent(
      sql,
      { op: `${dto.op}:like`, who: dto.who },
      { subject: like.id, version: like.version + 1, what: 'A piece put back among them' },
    )
    return { next: piece, what: 'Put back among its like' }
  })
