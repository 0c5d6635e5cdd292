import { resultId, type CheckKind } from '../check/contract'
import { checkKinds } from '../check/registry'
import type { CheckDocument } from '../check/document'
import { keySuits } from '../check/evaluate/gauge-needs'
import { fieldFault } from '../check/setup'
import { ways } from '../method/ways'
import { zeroWord } from '../method/zero-words'
import { gaugeFault } from '../reading/gauge'
import { READING_FIELDS, fieldsOf, isPieces, isWord, type Entry, type Reading } from '../reading/reading'
import type { LotMap } from '../pack/lot'
import { isDay } from '../quantity/day'
import { limitsFault } from '../verdict/limits'
import { daysFault } from './job-facts'
import type { Worksheet, WorksheetJob } from './worksheet'

/** What is wrong with a worksheet, and where. */
export interface WorksheetFault {
  /** Where in the file: `jobs/0/checks/2/limits/book/upper`. */
  readonly path: string
  readonly reason: string
}
export const NO_DATE = 'There is no such date.'

// What a schema cannot say.

/** Ids are not used twice. */
export function* repeatedFaults({ lots, jobs }: Worksheet): Generator<WorksheetFault> {
  const checks = jobs.flatMap(job => job.checks)
  const trials = checks.flatMap(check => check.trials)
  yield* repeated(lots, 'lots')
  yield* repeated(jobs, 'jobs')
  yield* repeated(
    jobs.flatMap(job => job.parts),
    'parts of all jobs',
  )
  yield* repeated(checks, 'checks of all jobs')
  yield* repeated(trials, 'trials of all checks')
  yield* repeated(
    trials.flatMap(trial => trial.readings),
    'readings of all trials',
  )
  const laps = checks.flatMap(check => check.laps)
  yield* repeated(laps, 'laps of all checks')
  yield* repeated(
    laps.flatMap(lap => lap.passes),
    'passes of all laps',
  )
}
const firstTwice = (names: readonly string[]): string | undefined => names.find((name, i) => names.indexOf(name) < i)

/** What a schema cannot say: every reference leads somewhere, limits make sense. */
export function* jobFaults(job: WorksheetJob, j: number, lots: LotMap): Generator<WorksheetFault> {
  for (const at of ['cameIn', 'promised', 'handedOver'] as const)
    if (job[at] !== undefined && !isDay(job[at])) yield { path: `jobs/${j}/${at}`, reason: NO_DATE }
  const days = daysFault(job)
  if (days) yield { path: `jobs/${j}/${days.at}`, reason: days.words }
  const parts = new Set(job.parts.map(part => part.id))
  for (const [c, check] of job.checks.entries()) {
    for (const [role, part] of Object.entries(check.parts))
      if (!parts.has(part)) yield { path: `jobs/${j}/checks/${c}/parts/${role}`, reason: `No part “${part}” in this job.` }
    yield* checkFaults(check, `jobs/${j}/checks/${c}`, lots)
  }
}

function* repeated(items: readonly { readonly id: string }[], where: string): Generator<WorksheetFault> {
  const seen = new Set<string>()
  for (const { id } of items) {
    if (seen.has(id)) yield { path: where, reason: `The id “${id}” is used twice.` }
    seen.add(id)
  }
}

/** Kinds this version knows, and no more of anything than there can be: before an older file is brought up to date, which makes it all. */
export function* kindFaults(worksheet: {
  readonly jobs: readonly { readonly checks: readonly Pick<CheckDocument, 'kind' | 'setup'>[] }[]
}): Generator<WorksheetFault> {
  for (const [j, job] of worksheet.jobs.entries())
    for (const [c, { kind: id, setup }] of job.checks.entries()) {
      const path = `jobs/${j}/checks/${c}`
      const kind = checkKinds.find(known => known.id === id)
      if (!kind) yield { path: `${path}/kind`, reason: `This version knows no check of the kind “${id}”.` }
      for (const field of kind?.setupFields ?? []) {
        const fault = field.kind === 'count' && setup[field.id] !== undefined ? fieldFault([field], field.id, setup[field.id]!) : null
        if (fault) yield { path: `${path}/setup/${field.id}`, reason: fault }
      }
    }
}

function* checkFaults(check: CheckDocument, path: string, lots: LotMap): Generator<WorksheetFault> {
  const kind = checkKinds.find(candidate => candidate.id === check.kind)!
  const badSetup = Object.entries(check.setup)
    .map(([id, value]) => ({ id, reason: fieldFault(kind.setupFields, id, value) }))
    .filter(({ reason }) => reason !== null)
  if (badSetup.length > 0) {
    yield* badSetup.map(({ id, reason }) => ({ path: `${path}/setup/${id}`, reason: reason! }))
    return
  }
  // A field that says nothing of what was measured may be missing: a kind can learn one later.
  const missing = kind.setupFields.find(field => !field.free && !field.added && check.setup[field.id] === undefined)
  if (missing) {
    yield { path: `${path}/setup/${missing.id}`, reason: 'This is missing.' }
    return
  }
  yield* limitFaults(check, kind, path)
  if (check.aim.school === 'own' && check.aim.own === undefined)
    yield { path: `${path}/aim/own`, reason: 'An aim of one’s own needs its figure.' }
  for (const [key, gauge] of Object.entries(check.gauges)) {
    if (!keySuits(key, gauge)) yield { path: `${path}/gauges/${key}/kind`, reason: `A ${gauge.kind} does not belong here.` }
    const fault = gaugeFault(gauge)
    if (fault) yield { path: `${path}/gauges/${key}/${fault.at}`, reason: fault.words }
  }
  const trials = new Set(check.trials.map(trial => trial.id))
  for (const [i, tick] of check.ticks.entries()) {
    if (!trials.has(tick.trial)) yield { path: `${path}/ticks/${i}/trial`, reason: `No fitting “${tick.trial}” in this check.` }
  }
  for (const [i, { trial }] of check.struck.entries())
    if (!trials.has(trial)) yield { path: `${path}/struck/${i}/trial`, reason: `No fitting “${trial}” in this check.` }
  for (const [i, { trial }] of check.clearings.entries())
    if (!trials.has(trial)) yield { path: `${path}/clearings/${i}/trial`, reason: `No fitting “${trial}” in this check.` }
  for (const [i, { pieces }] of check.trials.entries())
    for (const lot of Object.keys(pieces))
      if (!lots.has(lot)) yield { path: `${path}/trials/${i}/pieces/${lot}`, reason: `No lot “${lot}” in this file.` }
  yield* trialFaults(check, kind, path, lots)
  for (const [i, lap] of check.laps.entries()) {
    if (!kind.places(check.setup).some(place => place.id === lap.place))
      yield { path: `${path}/laps/${i}/place`, reason: `This kind has no place “${lap.place}”.` }
    if (lap.trial !== null && !trials.has(lap.trial))
      yield { path: `${path}/laps/${i}/trial`, reason: `No fitting “${lap.trial}” in this check.` }
    for (const lot of [lap.lotId, lap.end?.lotId ?? lap.lotId])
      if (!lots.has(lot)) yield { path: `${path}/laps/${i}/lotId`, reason: `No lot “${lot}” in this file.` }
  }
  if (check.signOff && check.trials.every(trial => trial.readings.length === 0))
    yield { path: `${path}/signOff`, reason: 'Signed, but nothing was measured.' }
}

function* limitFaults(check: CheckDocument, kind: CheckKind, path: string): Generator<WorksheetFault> {
  const results = kind.results(check.setup)
  const known = new Set(results.flatMap(result => [result.id, ...result.positions.map(position => resultId(result.id, position.id))]))
  for (const [key, pair] of Object.entries(check.limits.sets)) {
    if (!known.has(key)) yield { path: `${path}/limits/sets/${key}`, reason: `This kind has no result “${key}”.` }
    for (const end of ['book', 'shop'] as const) {
      const of = results.find(({ id }) => id === key.split('@')[0])?.quantity
      const fault = pair[end] && limitsFault(pair[end], of)
      if (fault) yield { path: `${path}/limits/sets/${key}/${end}`, reason: fault }
    }
  }
}

function* trialFaults(check: CheckDocument, kind: CheckKind, path: string, lots: LotMap): Generator<WorksheetFault> {
  const points = new Map(kind.points(check.setup).map(point => [point.id, point]))
  const places = new Set(kind.places(check.setup).map(place => place.id))
  const conditions = kind.conditions?.(check.setup) ?? []
  const known = new Set(check.trials.flatMap(trial => trial.readings.map(reading => reading.id)))
  if (check.trials.length === 0) yield { path: `${path}/trials`, reason: 'At least one fitting is needed: what was found.' }
  for (const [t, trial] of check.trials.entries()) {
    const at = `${path}/trials/${t}`
    for (const place of trial.refitted)
      if (!places.has(place)) yield { path: `${at}/refitted`, reason: `This kind has no place “${place}”.` }
    const twice = firstTwice(trial.refitted)
    if (twice !== undefined) yield { path: `${at}/refitted`, reason: `The place “${twice}” is there twice.` }
    for (const [id, state] of Object.entries(trial.conditions)) {
      const condition = conditions.find(candidate => candidate.id === id)
      if (condition && !condition.states.some(({ value }) => value === state))
        yield { path: `${at}/conditions/${id}`, reason: `“${state}” is not a choice here.` }
    }
    for (const id of Object.keys(trial.leftOut))
      if (!points.has(id)) yield { path: `${at}/leftOut/${id}`, reason: `This kind has no point “${id}”.` }
    for (const [place, pack] of Object.entries(trial.packs)) {
      for (const [p, piece] of (pack ?? []).entries()) {
        if (!lots.has(piece.lotId)) yield { path: `${at}/packs/${place}/${p}/lotId`, reason: `No lot “${piece.lotId}” in this file.` }
      }
      const again = firstTwice((pack ?? []).map(({ lotId }) => lotId))
      if (again !== undefined) yield { path: `${at}/packs/${place}`, reason: `The size “${again}” is there twice: say how many of it.` }
    }
    for (const [r, reading] of trial.readings.entries()) {
      const point = points.get(reading.point)
      if (!point) yield { path: `${at}/readings/${r}/point`, reason: `This kind has no point “${reading.point}”.` }
      else if (isPieces(reading) && reading.pieces.some(id => !known.has(id)))
        yield { path: `${at}/readings/${r}/pieces`, reason: 'A piece taken was never measured.' }
      else if (!hasForm(reading, ways[point.way].entry) && !(isWord(reading) && zeroWord(reading.word.replace('-', ' ')) === reading.word))
        yield { path: `${at}/readings/${r}`, reason: `This point asks for ${FORM[ways[point.way].entry]}.` }
    }
  }
}

const FORM: Readonly<Record<Entry, string>> = {
  travel: 'start, far and back',
  figure: 'a figure',
  pass: 'a figure',
  range: 'low and high',
  word: 'a word',
  pieces: 'the pieces taken',
}
/** All figures of its form, and none of another. */
function hasForm(reading: Reading, entry: Entry): boolean {
  const { needed, optional } = fieldsOf(entry, true)
  return (
    needed.every(field => field in reading) &&
    READING_FIELDS.every(field => !(field in reading) || needed.includes(field) || optional.includes(field))
  )
}
