import { checkKind } from '#core/check/registry'
import type { MeasuringPoint } from '#core/check/contract'
import type { PointReading } from '#core/check/document'
import { ways } from '#core/method/ways'
import { readingWords, type Entry } from '#core/reading/reading'
import type { CheckView } from '#shared/types'
import type { ReadingDto, TickDto, VoidDto } from '#shared/dto/check'
import { insertReading, insertVoid } from '../database/readings'
import { insertTick } from '../database/trials'
import type { Database } from '../database/client'
import { refuse } from '../http/refuse'
import { commandCheck } from './command'

export const logReading = (db: Database, id: string, dto: ReadingDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document }) => {
    const current = document.trials.at(-1)!
    if (dto.trialId !== current.id) throw refuse(409, 'That reading belongs to an earlier fitting: the pack was changed since.', 'trialId')
    const point = checkKind(document.kind)
      .points(document.setup)
      .find(candidate => candidate.id === dto.point)
    if (!point) throw refuse(422, 'This kind of check has no such point.', 'point')
    if (document.trials.some(trial => trial.readings.some(reading => reading.id === dto.id)))
      throw refuse(409, 'That reading is already here.', 'id')
    const way = ways[point.way]
    const reading = readingFrom(
      dto,
      way.entry,
      point,
      document.trials.flatMap(trial => trial.readings),
    )
    const gauge = way.gauge === null ? null : document.gauges[way.gauge]
    if (gauge === undefined) throw refuse(409, 'There is no gauge for this yet: put one in the register and choose it in Set up.')
    await insertReading(sql, current.id, gauge?.id ?? null, reading)
    return `Reading ${readingWords(reading, document.entryUnit)} logged`
  })

const MISSING = 'A figure is missing.'

/** The reading in the form its point asks for; anything else that was sent is refused. */
function readingFrom(dto: ReadingDto, entry: Entry, point: MeasuringPoint, measured: readonly PointReading[]): PointReading {
  const head = { id: dto.id, point: dto.point, at: dto.at }
  const only = (...fields: (keyof ReadingDto)[]) => {
    for (const field of [
      'start',
      'far',
      'back',
      'springBack',
      'figure',
      'low',
      'high',
      'leaves',
      'word',
      'celsius',
      'stone',
      'pieces',
    ] as const) {
      if (dto[field] !== undefined && !fields.includes(field)) throw refuse(422, 'This point does not take that.', field)
    }
  }
  switch (entry) {
    case 'travel': {
      only('start', 'far', 'back', 'springBack')
      const { start, far, back } = dto
      if (start === undefined || far === undefined || back === undefined)
        throw refuse(422, MISSING, start === undefined ? 'start' : far === undefined ? 'far' : 'back')
      return { ...head, start, far, back, ...(dto.springBack ? { springBack: true } : {}) }
    }
    case 'figure':
    case 'pass':
      only('figure', ...(point.heat ? (['celsius'] as const) : []), ...(entry === 'pass' ? (['stone'] as const) : []))
      if (dto.figure === undefined) throw refuse(422, MISSING, 'figure')
      return {
        ...head,
        figure: dto.figure,
        ...(dto.celsius === undefined ? {} : { celsius: dto.celsius }),
        ...(dto.stone === undefined ? {} : { stone: dto.stone }),
      }
    case 'range':
      only('low', 'high', 'leaves')
      if (dto.low === undefined || dto.high === undefined) throw refuse(422, MISSING, dto.low === undefined ? 'low' : 'high')
      if (dto.high < dto.low) throw refuse(422, 'The second figure must not be below the first.', 'high')
      return { ...head, low: dto.low, high: dto.high, ...(dto.leaves === undefined ? {} : { leaves: dto.leaves }) }
    case 'word':
      only('word')
      if (!point.words?.some(word => word.value === dto.word)) throw refuse(422, 'That is not an answer here.', 'word')
      return { ...head, word: dto.word! }
    case 'pieces':
      only('pieces')
      if (!dto.pieces?.every(id => measured.some(reading => reading.id === id && !reading.voided)))
        throw refuse(422, 'A piece taken is not measured, or its reading was struck out.', 'pieces')
      return { ...head, pieces: dto.pieces }
  }
}

export const voidReading = (db: Database, id: string, dto: VoidDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document }) => {
    const reading = document.trials.flatMap(trial => trial.readings).find(candidate => candidate.id === dto.readingId)
    if (!reading) throw refuse(404, 'There is no such reading in this check.', 'readingId')
    if (reading.voided) throw refuse(409, 'That reading is voided already.', 'readingId')
    await insertVoid(sql, dto.readingId, dto.reason.trim())
    return `Reading ${readingWords(reading, document.entryUnit)} voided: ${dto.reason.trim()}`
  })

export const tickStep = (db: Database, id: string, dto: TickDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document }) => {
    const step = checkKind(document.kind)
      .procedure(document.setup)
      .find(candidate => candidate.id === dto.step)
    if (!step) throw refuse(422, 'This check has no such step.', 'step')
    await insertTick(sql, id, step.phase === 'setup' ? null : document.trials.at(-1)!.id, step.id, dto.ticked)
    return `${dto.ticked ? 'Ticked' : 'Unticked'}: ${step.text}`
  })
