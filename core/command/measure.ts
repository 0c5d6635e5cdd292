import type { MeasuringPoint } from '../check/contract'
import { newerThan, type PointReading } from '../check/document'
import { gaugeOf, unitAt } from '../check/evaluate/gauge-needs'
import { leftOutOf } from '../check/said'
import { zeroWordsAt } from '../check/evaluate/none-said'
import { staleWords } from '../check/parts'
import { checkKind } from '../check/registry'
import { ways } from '../method/ways'
import { READING_FIELDS, fieldsOf, readingWords, type Entry } from '../reading/reading'
import type { Bench, LeaveOutCommand, ReadCommand, ReadingFields, TickCommand, VoidCommand } from './command'
import { happened, refused, type Outcome, type RefusedCommand } from './happening'

/** A reading, at the point and in the fitting it was taken at, or not at all. */
export function read({ document }: Bench, { trialId, seen, reading: given }: ReadCommand): Outcome {
  const kind = checkKind(document.kind)
  const current = document.trials.at(-1)!
  if (trialId !== current.id)
    return refused('conflict', 'That reading belongs to an earlier fitting: the pack was changed since.', 'trialId')
  const point = kind.points(document.setup).find(({ id }) => id === given.point)
  if (!point) return refused('invalid', 'This kind of check has no such point.', 'point')
  const all = document.trials.flatMap(trial => trial.readings)
  if (all.some(({ id }) => id === given.id)) return refused('conflict', 'That reading is already here.', 'id')
  const since = document.partChanges.find(
    change => seen !== undefined && newerThan(change.order, seen) && (change.role === '*' || point.rests.includes(change.role)),
  )
  if (since)
    return refused(
      'conflict',
      `It was read before a change it rests on (${staleWords(kind.parts(document.setup), since)}): read it again.`,
      'seen',
    )
  const way = ways[point.way]
  const words = zeroWordsAt(kind.results(document.setup), point)
  const none = words.some(({ value }) => value === given.word)
  const reading = inForm(given, none ? 'word' : way.entry, none ? { ...point, words } : point, all)
  if ('ok' in reading) return reading
  const gauge = gaugeOf(document, point)
  if (way.gauge !== null && gauge === null)
    return refused('conflict', 'There is no gauge for this yet: put one in the register and choose it in Set up.')
  return happened(`Reading ${readingWords(reading, unitAt(document, point))} logged`, {
    type: 'read',
    trial: current.id,
    reading: gauge ? { ...reading, gauge: gauge.id } : reading,
  })
}

const missing = (path: string) => refused('invalid', 'A figure is missing.', path)

/** The reading in the form its point asks for; anything else that was sent is refused. */
function inForm(
  given: ReadingFields,
  entry: Entry,
  point: MeasuringPoint,
  measured: readonly PointReading[],
): PointReading | RefusedCommand {
  const { needed, optional } = fieldsOf(entry, point.heat !== undefined)
  for (const field of READING_FIELDS) {
    if (given[field] !== undefined && !needed.includes(field) && !optional.includes(field))
      return refused('invalid', 'This point does not take that.', field)
  }
  const lacking = entry === 'word' || entry === 'pieces' ? undefined : needed.find(field => given[field] === undefined)
  if (lacking) return missing(lacking)
  if (entry === 'range' && given.high! < given.low!) return refused('invalid', 'The second figure must not be below the first.', 'high')
  if (entry === 'word' && !point.words?.some(({ value }) => value === given.word))
    return refused('invalid', 'That is not an answer here.', 'word')
  if (entry === 'pieces' && !given.pieces?.every(id => measured.some(reading => reading.id === id && !reading.voided)))
    return refused('invalid', 'A piece taken is not measured, or its reading was struck out.', 'pieces')
  const figures = [...needed, ...optional].filter(field => given[field] !== undefined && given[field] !== false)
  return {
    id: given.id,
    point: given.point,
    at: given.at,
    ...Object.fromEntries(figures.map(field => [field, given[field]])),
  } as PointReading
}

/** Strikes a reading out; it stays in the record with the reason. */
export function voidReading({ document }: Bench, { readingId, reason }: VoidCommand): Outcome {
  const reading = document.trials.flatMap(trial => trial.readings).find(({ id }) => id === readingId)
  if (!reading) return refused('missing', 'There is no such reading in this check.', 'readingId')
  if (reading.voided) return refused('conflict', 'That reading is voided already.', 'readingId')
  return happened(`Reading ${readingWords(reading, document.entryUnit)} voided: ${reason}`, { type: 'voided', reading: readingId, reason })
}

/** A point is left out of this fitting on purpose, with a reason; none: it is asked for again. */
export function leaveOut({ document }: Bench, { trial, point: id, reason }: LeaveOutCommand): Outcome {
  const point = checkKind(document.kind)
    .points(document.setup)
    .find(candidate => candidate.id === id)
  if (!point) return refused('invalid', 'This kind of check has no such point.', 'point')
  if (trial !== document.trials.at(-1)!.id)
    return refused('conflict', 'That point belongs to an earlier fitting: the pack was changed since.', 'trial')
  if (point.optional) return refused('invalid', 'It is done without this point anyway.', 'point')
  // What an earlier fitting left out holds until somebody asks for it again.
  const before = document.trials.slice(0, -1)
  const held = before.length > 0 && leftOutOf(before, point, before.length - 1) !== null
  const why = reason?.trim() || (held ? '' : null)
  const words = !why ? `Asked for again: ${point.label}` : `Left out: ${point.label}, ${why}`
  return happened(words, { type: 'left-out', trial, point: id, reason: why })
}

export function tick({ document }: Bench, { step: id, trial, ticked }: TickCommand): Outcome {
  const step = checkKind(document.kind)
    .procedure(document.setup)
    .find(candidate => candidate.id === id)
  if (!step) return refused('invalid', 'This check has no such step.', 'step')
  // Said once of the unit, it may be taken back whenever it was said.
  const tickedThen = step.once && !ticked && document.ticks.some(tick => tick.step === id && tick.trial === trial)
  if (trial !== document.trials.at(-1)!.id && !tickedThen)
    return refused('conflict', 'That step belongs to an earlier fitting: the pack was changed since.', 'trial')
  return happened(`${ticked ? 'Ticked' : 'Unticked'}: ${step.text}`, { type: 'ticked', step: id, trial, ticked })
}
