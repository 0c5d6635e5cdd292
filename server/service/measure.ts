import { checkKind } from '#core/check/registry'
import { formatLength } from '#core/quantity/format-length'
import type { CheckView } from '#shared/types'
import type { ReadingDto, TickDto, VoidDto } from '#shared/dto/check'
import { insertReading, insertTick, insertVoid } from '../database/checks'
import type { Database } from '../database/client'
import { refuse } from '../http/refuse'
import { commandCheck } from './command'

export const logReading = (db: Database, id: string, dto: ReadingDto): Promise<CheckView> => commandCheck(db, id, dto, async (sql, { document, row }) => {
  const current = document.trials.at(-1)!
  if (dto.trialId !== current.id) throw refuse(409, 'That reading belongs to an earlier fitting: the pack was changed since.', 'trialId')
  if (!checkKind(document.kind).points(document.setup).some(point => point.id === dto.point)) throw refuse(422, 'This kind of check has no such point.', 'point')
  const { start, far, back, springBack, at } = dto
  if (document.trials.some(trial => trial.readings.some(reading => reading.id === dto.id))) throw refuse(409, 'That reading is already here.', 'id')
  await insertReading(sql, current.id, row.gauge_id, { id: dto.id, point: dto.point, start, far, back, springBack, at })
  return `Reading ${formatLength(far, document.entryUnit, { unit: true, trim: true })} logged`
})

export const voidReading = (db: Database, id: string, dto: VoidDto): Promise<CheckView> => commandCheck(db, id, dto, async (sql, { document }) => {
  const reading = document.trials.flatMap(trial => trial.readings).find(candidate => candidate.id === dto.readingId)
  if (!reading) throw refuse(404, 'There is no such reading in this check.', 'readingId')
  if (reading.voided) throw refuse(409, 'That reading is voided already.', 'readingId')
  await insertVoid(sql, dto.readingId, dto.reason.trim())
  return `Reading ${formatLength(reading.far, document.entryUnit, { unit: true, trim: true })} voided: ${dto.reason.trim()}`
})

export const tickStep = (db: Database, id: string, dto: TickDto): Promise<CheckView> => commandCheck(db, id, dto, async (sql, { document }) => {
  const step = checkKind(document.kind).procedure(document.setup).find(candidate => candidate.id === dto.step)
  if (!step) throw refuse(422, 'This check has no such step.', 'step')
  await insertTick(sql, id, step.phase === 'setup' ? null : document.trials.at(-1)!.id, step.id, dto.ticked)
  return `${dto.ticked ? 'Ticked' : 'Unticked'}: ${step.text}`
})
