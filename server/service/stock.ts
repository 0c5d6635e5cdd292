import { formatLength } from '#core/quantity/format-length'
import type { Lot } from '#core/pack/lot'
import type { StockLot, StockView } from '#shared/types'
import type { LotChangeDto, MovementDto, NewLotDto } from '#shared/dto/stock'
import type { CommandDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { eventKnown, insertEvent } from '../database/events'
import { allLots, insertLot, insertMovement, lotById, familyUses, lotUses, updateLot } from '../database/stock'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'

export const stockView = async (sql: Sql): Promise<StockView> => ({
  lots: await allLots(sql),
  uses: await lotUses(sql),
  usedFor: await familyUses(sql),
})

async function commandLot(
  db: Database,
  id: string,
  command: CommandDto,
  work: (sql: Sql, lot: StockLot) => Promise<{ next: Lot; what: string }>,
): Promise<StockView> {
  return db.transaction(async sql => {
    const lot = await lotById(sql, id)
    if (!lot) throw notFound('size in the drawer')
    if (!(await eventKnown(sql, command.op))) {
      await assertFresh(sql, id, command.version, lot.version)
      const { next, what } = await work(sql, lot)
      await updateLot(sql, next)
      await insertEvent(sql, { id: command.op, subject: id, version: lot.version + 1, what })
    }
    return stockView(sql)
  })
}

export async function addLot(db: Database, dto: NewLotDto): Promise<StockView> {
  return db.transaction(async sql => {
    if (await eventKnown(sql, dto.op)) return stockView(sql)
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
    })
    if (!added) throw refuse(409, 'That id is taken.', 'id')
    if (dto.count > 0) await insertMovement(sql, { id: `${dto.op}:in`, lotId: dto.id, change: dto.count, why: 'take-in', note: '' })
    await insertEvent(sql, { id: dto.op, subject: dto.id, version: 1, what: 'Size added' })
    return stockView(sql)
  })
}

export const moveStock = (db: Database, id: string, dto: MovementDto): Promise<StockView> =>
  commandLot(db, id, dto, async (sql, lot) => {
    if (lot.onHand + dto.change < 0) throw refuse(422, `There are only ${lot.onHand}: the count cannot fall below none.`, 'change')
    if (dto.why === 'take-in' && dto.change <= 0) throw refuse(422, 'Taking in adds pieces. To lower the count, correct it.', 'change')
    await insertMovement(sql, { id: `${dto.op}:move`, lotId: id, change: dto.change, why: dto.why, note: dto.note ?? '' })
    return { next: lot, what: dto.why === 'take-in' ? `${dto.change} taken in` : `Count corrected by ${dto.change}: ${dto.note}` }
  })

export const changeLot = (db: Database, id: string, dto: LotChangeDto): Promise<StockView> =>
  commandLot(db, id, dto, async (_sql, lot) => ({
    next: {
      ...lot,
      measured: dto.measured ?? lot.measured,
      reserved: dto.kept ?? lot.reserved,
      mark: dto.mark ?? lot.mark,
      colour: dto.colour ?? lot.colour,
      cost: dto.cost === undefined ? lot.cost : dto.cost,
      leadDays: dto.leadDays === undefined ? lot.leadDays : dto.leadDays,
    },
    what: dto.measured === undefined ? 'Size changed' : `Measured ${formatLength(dto.measured, 'thou', { unit: true })}`,
  }))
