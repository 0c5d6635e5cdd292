import { packIn, type Predicted } from '#core/check/document'
import { evaluateCheck, predictionOwn } from '#core/check/evaluate-check'
import { checkKind } from '#core/check/registry'
import { lotMap, packChange, thickness, type Lot, type Pack } from '#core/pack/lot'
import { changeWords, pieceList } from '#core/pack/arithmetic'
import { lowerFirst } from '#core/quantity/lower-first'
import { predict } from '#core/pack/predict'
import { formatLength } from '#core/quantity/format-length'
import type { CheckView } from '#shared/types'
import type { FitDto, FoundPackDto, FoundPieceDto, PieceDto, ReserveDto } from '#shared/dto/check'
import { insertTrial, listPack } from '../database/trials'
import type { Database, Sql } from '../database/client'
import { reserve } from '../database/reserves'
import { insertLot, insertMovement, lotById } from '../database/stock'
import { notFound, refuse } from '../http/refuse'
import { commandCheck } from './command'

/** One entry a lot, whatever order they were sent in. */
function merged(pieces: readonly PieceDto[]): Pack {
  const counts = new Map<string, number>()
  for (const { lotId, count } of pieces) counts.set(lotId, (counts.get(lotId) ?? 0) + count)
  return [...counts].map(([lotId, count]) => ({ lotId, count }))
}

/**
 * Another pack goes into each place named: what comes out returns to stock, tagged to the place; what goes in leaves it, and must
 * be there. One transaction with the fitting itself.
 */
export const fitPack = (db: Database, id: string, dto: FitDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, lots }) => {
    if (document.trials.some(trial => trial.id === dto.trialId)) throw refuse(409, 'That fitting is already here.', 'trialId')
    const { places } = evaluateCheck(document, lots)
    const last = document.trials.at(-1)!
    const all = new Map(lotMap(lots))
    const packs: Record<string, Pack | null> = { ...last.packs }
    const predicted: Record<string, Predicted> = {}
    const moves = new Map<string, number>()
    const words: string[] = []
    for (const [at, { place: placeId, pieces }] of dto.packs.entries()) {
      const place = places.find(candidate => candidate.place.id === placeId)
      if (!place) throw refuse(422, 'This check has no such place.', `packs.${at}.place`)
      if (dto.packs.findIndex(other => other.place === placeId) !== at) throw refuse(422, 'That place is named twice.', `packs.${at}.place`)
      const { request, result } = place
      if (!request || !result?.estimate) throw refuse(409, 'Measure the present fitting first: the change is reckoned from it.')
      const next = merged(pieces)
      for (const { lotId } of next) {
        const lot = all.get(lotId) ?? (await lotById(sql, lotId))
        if (!lot) throw notFound('size in the drawer')
        all.set(lotId, lot)
      }
      const change = packChange(request.fitted, next)
      for (const piece of change.in) moves.set(piece.lotId, (moves.get(piece.lotId) ?? 0) - piece.count)
      for (const piece of change.out) moves.set(piece.lotId, (moves.get(piece.lotId) ?? 0) + piece.count)
      const { play, u } = predict(request.question.measured, request.fitted, next, all, request.response, { uRefit: document.uRefit })
      predicted[place.place.result] = { play, u, uOwn: predictionOwn(u, result.estimate) }
      packs[placeId] = packIn(last, placeId) === null ? null : next
      words.push(lowerFirst(changeWords(request.fitted, next, all, document.entryUnit)))
    }
    for (const [lotId, change] of moves) {
      const lot = all.get(lotId)!
      if (lot.onHand + change < 0)
        throw refuse(
          409,
          `There ${lot.onHand === 1 ? 'is' : 'are'} only ${lot.onHand} of ${formatLength(thickness(lot), document.entryUnit, { unit: true })} in the drawer; this needs ${-change}.`,
          'packs',
        )
    }
    await insertTrial(sql, id, {
      id: dto.trialId,
      at: new Date().toISOString(),
      packs,
      refitted: dto.packs.map(pack => pack.place),
      predicted,
    })
    for (const [lotId, change] of moves) {
      if (change !== 0)
        await insertMovement(sql, {
          id: `${dto.op}:${change < 0 ? 'in' : 'out'}:${lotId}`,
          lotId,
          change,
          why: change < 0 ? 'fit' : 'return',
          note: document.title,
          trialId: dto.trialId,
        })
    }
    for (const { place } of dto.packs) await reserve(sql, id, place, [])
    return `Fitted: ${words.join('; ')}`
  })

/**
 * Promises pieces to a place: what is here and not promised elsewhere. None: takes the promise back. Other open checks are not
 * offered them.
 */
export const reservePack = (db: Database, id: string, dto: ReserveDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, lots }) => {
    if (
      !checkKind(document.kind)
        .places(document.setup)
        .some(place => place.id === dto.place)
    )
      throw refuse(422, 'This check has no such place.', 'place')
    const pack = merged(dto.pieces)
    const all = lotMap(lots)
    for (const [i, piece] of pack.entries()) {
      const lot = all.get(piece.lotId)
      if (!lot) throw notFound('size in the drawer')
      const free = Math.max(0, lot.onHand - lot.reserved)
      if (free < piece.count)
        throw refuse(
          409,
          `Only ${free} of ${formatLength(thickness(lot), document.entryUnit, { unit: true })} are free: the rest is kept back or promised to another check.`,
          `pieces.${i}.count`,
        )
    }
    await reserve(sql, id, dto.place, pack)
    return pack.length === 0 ? 'Pieces no longer kept for this check' : `Kept for this check: ${pieceList(pack, all, document.entryUnit)}`
  })

/** The pack as it was found, listed piece by piece. Sizes the drawer does not know become lots of their own, tagged to the place. */
export const listFoundPack = (db: Database, id: string, dto: FoundPackDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, lots, row }) => {
    if (document.trials.length > 1) throw refuse(409, 'The pack was changed since it was found; it cannot be listed again.')
    if (
      !checkKind(document.kind)
        .places(document.setup)
        .some(place => place.id === dto.place)
    )
      throw refuse(422, 'This check has no such place.', 'place')
    const pieces: PieceDto[] = []
    for (const [i, piece] of dto.pieces.entries())
      pieces.push({
        lotId: await lotFor(sql, piece, i, document.family, lots, `found in ${document.title}`, `${row.id}:${dto.op}:${i}`.slice(-64)),
        count: piece.count,
      })
    await listPack(sql, document.trials[0]!.id, dto.place, merged(pieces))
    return `Pack as found: ${dto.pieces.reduce((sum, piece) => sum + piece.count, 0)} pieces listed`
  })

async function lotFor(
  sql: Sql,
  piece: FoundPieceDto,
  at: number,
  family: string,
  lots: readonly Lot[],
  tag: string,
  newId: string,
): Promise<string> {
  if (piece.lotId !== undefined) {
    if (!(await lotById(sql, piece.lotId))) throw refuse(422, 'That size is not in the drawer.', `pieces.${at}.lotId`)
    return piece.lotId
  }
  if (piece.size === undefined) throw refuse(422, 'Give the piece its size.', `pieces.${at}.size`)
  const same = lots.find(
    lot => lot.family === family && (piece.measured ? lot.measured === piece.size : lot.measured === null && lot.nominal === piece.size),
  )
  if (same) return same.id
  await insertLot(sql, {
    id: newId,
    family,
    nominal: piece.size,
    measured: piece.measured ? piece.size : null,
    tolerance: null,
    reserved: 0,
    mark: '',
    colour: '',
    tags: [tag],
    cost: null,
    leadDays: null,
    shape: 'flat',
  })
  return newId
}
