import { piecesIn, type CheckDocument } from '../check/document'
import { lapProgress, madeThickness, type Lap } from '../pack/lapping'
import { thickness } from '../pack/lot'
import { formatLength } from '../quantity/format-length'
import type { BeginLapCommand, Bench, EndLapCommand, LapPassCommand } from './command'
import { happened, refused, type Happening, type Outcome, type RefusedCommand } from './happening'
import { newLot } from './found-pack'
import { NO_PLACE, placeOf } from './pack'

/** Takes a piece out of the drawer to lap it, or starts one from sheet; a sheet yields more than one, its count stays. */
export function beginLap({ document, lots }: Bench, command: BeginLapCommand): Outcome {
  const { op, at, id, place, lotId, target, low, high } = command
  const where = placeOf(document, place)
  if (!where) return refused('invalid', NO_PLACE, 'place')
  if (!where.lappable) return refused('invalid', `${where.label}: these pieces cannot be lapped.`, 'place')
  if (document.laps.some(lap => lap.id === id)) return refused('conflict', 'That piece is begun already.', 'id')
  if (document.laps.some(lap => lap.place === place && lap.end === null))
    return refused('conflict', 'A piece for this place is being made already: finish it, or scrap it.')
  const lot = lots.find(candidate => candidate.id === lotId)
  if (!lot) return refused('missing', 'There is no such size in the drawer.')
  // With none in the drawer, the fitted piece itself: taken out, lapped, put back. It does not pass through the drawer.
  const current = document.trials.at(-1)!
  const free = lot.onHand - lot.reserved
  const fitted = free < 1 && piecesIn(current, place).some(piece => piece.lotId === lotId)
  if (!fitted && free < 1)
    return refused('conflict', 'None of that size is free: the rest is kept aside or promised to another check.', 'lotId')
  if (target > thickness(lot)) return refused('invalid', 'A piece cannot be lapped thicker than it is.', 'target')
  const taken: Happening[] =
    fitted || lot.shape === 'sheet'
      ? []
      : [{ type: 'moved', movement: { id: `${op}:lap`, lotId, change: -1, why: 'lap', note: document.title } }]
  return happened(
    `A piece begun, to ${formatLength(target, document.entryUnit, { unit: true })}`,
    { type: 'lap-begun', lap: { id, at, place, lotId, trial: fitted ? current.id : null, target, low, high } },
    ...taken,
  )
}

function openLap(document: CheckDocument, id: string): Lap | RefusedCommand {
  const lap = document.laps.find(candidate => candidate.id === id)
  if (!lap) return refused('missing', 'There is no such piece being made.')
  return lap.end === null ? lap : refused('conflict', 'That piece is done already.', 'lapId')
}

/** Its thickness at four points. */
export function lapPass({ document }: Bench, { lapId, id, figures, measuredAt }: LapPassCommand): Outcome {
  const lap = openLap(document, lapId)
  if ('ok' in lap) return lap
  const pass = { id, at: measuredAt, figures }
  return happened(`Piece measured: ${formatLength(madeThickness(pass), document.entryUnit, { unit: true, fine: true })}`, {
    type: 'lap-passed',
    lap: lapId,
    pass,
  })
}

/** Into the drawer as a size of its own, measured and kept for its place; or scrapped. */
export function endLap({ document, lots, reserves }: Bench, { op, lapId, made }: EndLapCommand): Outcome {
  const lap = openLap(document, lapId)
  if ('ok' in lap) return lap
  if (!made) return happened('Piece scrapped', { type: 'lap-ended', lap: lapId, lotId: null })
  const last = lap.passes.at(-1)
  if (!last) return refused('conflict', `Measure it first: ${lapProgress(lap, document.entryUnit).words[0]}`)
  const size = madeThickness(last)
  const family = document.family || (lots.find(({ id }) => id === lap.lotId)?.family ?? '')
  return happened(
    `Piece made: ${formatLength(size, document.entryUnit, { unit: true, fine: true })}, kept for this check`,
    {
      type: 'lot-added',
      lot: { ...newLot({ id: lapId, family, nominal: size, tags: [`made for ${document.title}`] }, true), apart: true },
    },
    { type: 'moved', movement: { id: `${op}:made`, lotId: lapId, change: 1, why: 'made', note: document.title } },
    { type: 'lap-ended', lap: lapId, lotId: lapId },
    { type: 'promised', place: lap.place, pack: [...(reserves[lap.place] ?? []), { lotId: lapId, count: 1 }] },
  )
}
