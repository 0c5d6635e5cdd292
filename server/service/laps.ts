import { checkKind } from '#core/check/registry'
import type { CheckDocument } from '#core/check/document'
import { lapProgress, madeThickness, type Lap } from '#core/pack/lapping'
import { thickness } from '#core/pack/lot'
import { formatLength } from '#core/quantity/format-length'
import type { CheckView } from '#shared/types'
import type { LapDto, LapEndDto, LapPassDto } from '#shared/dto/lap'
import type { Database } from '../database/client'
import { insertLap, insertLapEnd, insertLapPass } from '../database/laps'
import { reserve, reservesOf } from '../database/reserves'
import { insertLot, insertMovement, lotById } from '../database/stock'
import { notFound, refuse } from '../http/refuse'
import { commandCheck } from './command'

/** Takes a piece out of the drawer to lap it, or starts one from sheet; a sheet yields more than one, its count stays. */
export const beginLap = (db: Database, id: string, dto: LapDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, lots }) => {
    if (
      !checkKind(document.kind)
        .places(document.setup)
        .some(place => place.id === dto.place)
    )
      throw refuse(422, 'This check has no such place.', 'place')
    if (document.laps.some(lap => lap.id === dto.id)) throw refuse(409, 'That piece is begun already.', 'id')
    if (document.laps.some(lap => lap.place === dto.place && lap.end === null))
      throw refuse(409, 'A piece for this place is being made already: finish it, or scrap it.')
    const lot = lots.find(candidate => candidate.id === dto.lotId)
    if (!lot) throw notFound('size in the drawer')
    if (lot.onHand - lot.reserved < 1)
      throw refuse(409, 'None of that size is free: the rest is kept back or promised to another check.', 'lotId')
    if (dto.target > thickness(lot)) throw refuse(422, 'A piece cannot be lapped thicker than it is.', 'target')
    await insertLap(sql, id, {
      id: dto.id,
      at: new Date().toISOString(),
      place: dto.place,
      lotId: dto.lotId,
      target: dto.target,
      low: dto.low ?? null,
      high: dto.high ?? null,
    })
    if (lot.shape !== 'sheet')
      await insertMovement(sql, { id: `${dto.op}:lap`, lotId: lot.id, change: -1, why: 'lap', note: document.title })
    return `A piece begun, to ${formatLength(dto.target, document.entryUnit, { unit: true })}`
  })

function openLap(document: CheckDocument, id: string): Lap {
  const lap = document.laps.find(candidate => candidate.id === id)
  if (!lap) throw notFound('piece being made')
  if (lap.end !== null) throw refuse(409, 'That piece is done already.', 'lapId')
  return lap
}

export const logLapPass = (db: Database, id: string, dto: LapPassDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document }) => {
    const lap = openLap(document, dto.lapId)
    const pass = { id: dto.id, at: dto.at, figures: dto.figures }
    await insertLapPass(sql, lap.id, pass)
    return `Piece measured: ${formatLength(madeThickness(pass), document.entryUnit, { unit: true, fine: true })}`
  })

/** Into stock as a size of its own, measured and kept for its place; or scrapped. */
export const endLap = (db: Database, id: string, dto: LapEndDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document }) => {
    const lap = openLap(document, dto.lapId)
    if (!dto.made) {
      await insertLapEnd(sql, lap.id, null)
      return 'Piece scrapped'
    }
    const last = lap.passes.at(-1)
    if (!last) throw refuse(409, `Measure it first: ${lapProgress(lap, document.entryUnit).words[0]}`)
    const from = (await lotById(sql, lap.lotId))!
    const size = madeThickness(last)
    await insertLot(sql, {
      id: lap.id,
      family: document.family || from.family,
      nominal: size,
      measured: size,
      tolerance: null,
      reserved: 0,
      mark: '',
      colour: '',
      tags: [`made for ${document.title}`.slice(0, 120)],
      cost: null,
      leadDays: null,
      shape: 'flat',
    })
    await insertMovement(sql, { id: `${dto.op}:made`, lotId: lap.id, change: 1, why: 'made', note: document.title })
    await insertLapEnd(sql, lap.id, lap.id)
    await reserve(sql, id, lap.place, [...((await reservesOf(sql, id))[lap.place] ?? []), { lotId: lap.id, count: 1 }])
    return `Piece made: ${formatLength(size, document.entryUnit, { unit: true, fine: true })}, kept for this check`
  })
