import Ajv, { type ErrorObject } from 'ajv'
import { resultId, type CheckKind } from '../check/contract'
import { checkKinds } from '../check/registry'
import type { CheckDocument } from '../check/document'
import { keySuits } from '../check/evaluate/gauge-needs'
import { fieldFault } from '../check/setup'
import { ways } from '../method/ways'
import { zeroWord } from '../method/zero-words'
import { gaugeFault } from '../reading/gauge'
import { READING_FIELDS, fieldsOf, isPieces, isWord, type Entry, type Reading } from '../reading/reading'
import { lotMap, type LotMap } from '../pack/lot'
import { isDay } from '../quantity/day'
import { limitsFault } from '../verdict/limits'
import { daysFault } from './job-facts'
import { tooMany, unfit, valuesIn } from './plain'
import { upgradeWorksheet, type WorksheetV1, type WorksheetV2, type WorksheetV3 } from './upgrade'
import schemaV1 from './worksheet.v1.schema.json'
import schemaV2 from './worksheet.v2.schema.json'
import schemaV3 from './worksheet.v3.schema.json'
import schema from './worksheet.schema.json'
import { WORKSHEET_FORMAT, WORKSHEET_LARGEST, WORKSHEET_VERSION, type Worksheet, type WorksheetJob } from './worksheet'

export interface WorksheetFault {
  /** Where in the file: `jobs/0/checks/2/limits/book/upper`. */
  readonly path: string
  readonly reason: string
}
export type WorksheetReading =
  | { readonly ok: true; readonly worksheet: Worksheet }
  | { readonly ok: false; readonly faults: readonly WorksheetFault[] }

/** A moment there is; one that does not look like one is said by its pattern. */
const moments = { 'date-time': (text: string) => !/^\d{4}-/.test(text) || (isDay(text.slice(0, 10)) && !Number.isNaN(Date.parse(text))) }
/** Stops at the first fault: a large file may hold a million of them. */
const quick = new Ajv({ strict: false, formats: moments })
/** Finds every fault, to be said at once. */
const thorough = new Ajv({ allErrors: true, strict: false, formats: moments })
/** With so many values at most every fault is looked for. */
const SMALL = 20_000
/** Values in all: one takes some ten characters of a file as large as it may be. */
const BOUNDS = { deepest: 24, most: 500_000 }
/** A schema is compiled when it is first needed: that takes longer than reading a small file. */
function validatorOf(schemaOf: object) {
  const compiled = (ajv: Ajv) => {
    let validate: ReturnType<Ajv['compile']> | null = null
    return () => (validate ??= ajv.compile(schemaOf))
  }
  return { quick: compiled(quick), thorough: compiled(thorough) }
}
/** A version's schema, for the file without its jobs and for each job by itself. */
const validatorsOf = (whole: { readonly $defs: object }) => ({
  file: validatorOf(whole),
  job: validatorOf({ $ref: '#/$defs/job', $defs: whole.$defs }),
})
const validators = { 1: validatorsOf(schemaV1), 2: validatorsOf(schemaV2), 3: validatorsOf(schemaV3), 4: validatorsOf(schema) } as const
/** Jobs of one file. */
const MOST_JOBS = 2000
const MOST_FAULTS = 10
const NO_DATE = 'There is no such date.'
const one = (path: string, reason: string): WorksheetReading => ({ ok: false, faults: [{ path, reason }] })

/**
 * Reads a worksheet, all of it or nothing. Bad text, another format, a newer version, a wrong field, a piece of no known lot: the
 * place and a sentence.
 */
export function readWorksheet(text: string): WorksheetReading {
  if (text.length > WORKSHEET_LARGEST) return one('', `The file is larger than ${WORKSHEET_LARGEST / 1e6} million characters.`)
  if (valuesIn(text) > BOUNDS.most) return one('', tooMany(BOUNDS.most))
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return one('', `This is not a JSON file: ${(error as Error).message}.`)
  }
  return checkWorksheet(value)
}

/** The same for a value that is parsed already. */
export function checkWorksheet(value: unknown): WorksheetReading {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return one('', 'This is not a worksheet: a JSON object is expected.')
  const broken = unfit(value, BOUNDS, '/')
  if (broken) return one(broken.path, broken.reason)
  const head = value as { format?: unknown; version?: unknown; jobs?: unknown }
  if (head.format !== WORKSHEET_FORMAT) return one('format', `This is not a worksheet: “format” must be “${WORKSHEET_FORMAT}”.`)
  if (typeof head.version === 'number' && head.version > WORKSHEET_VERSION)
    return one(
      'version',
      `This worksheet is of version ${head.version}; this program reads up to ${WORKSHEET_VERSION}. Use a newer program.`,
    )
  const version = head.version === 1 || head.version === 2 || head.version === 3 ? head.version : 4
  const { file, job: ofJob } = validators[version]
  const jobs = Array.isArray(head.jobs) ? (head.jobs as unknown[]) : null
  if (jobs && jobs.length > MOST_JOBS) return one('jobs', `At most ${MOST_JOBS} jobs a file.`)
  const wrong: WorksheetFault[] = faultsBy(file, jobs ? { ...head, jobs: [] } : value)
  for (const [i, job] of (jobs ?? []).entries()) {
    wrong.push(...faultsBy(ofJob, job).map(({ path, reason }) => ({ path: path ? `jobs/${i}/${path}` : `jobs/${i}`, reason })))
    if (wrong.length >= MOST_FAULTS) break
  }
  if (wrong.length > 0) return { ok: false, faults: wrong.slice(0, MOST_FAULTS) }
  const unknown = [...kindFaults(value as unknown as Worksheet)]
  if (unknown.length > 0) return { ok: false, faults: unknown }
  const worksheet =
    version === 4 ? (value as unknown as Worksheet) : upgradeWorksheet(value as unknown as WorksheetV1 | WorksheetV2 | WorksheetV3)
  const faults: WorksheetFault[] = [...repeatedFaults(worksheet)]
  const lots = lotMap(worksheet.lots)
  for (const [j, job] of worksheet.jobs.entries()) {
    faults.push(...jobFaults(job, j, lots))
    if (faults.length >= MOST_FAULTS) break
  }
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : { ok: true, worksheet }
}

function faultsBy(validator: ReturnType<typeof validatorOf>, value: unknown): WorksheetFault[] {
  const once = validator.quick()
  if (once(value)) return []
  const small = unfit(value, { ...BOUNDS, most: SMALL }) === null
  if (!small) return faultsOf(once.errors ?? [])
  const all = validator.thorough()
  all(value)
  return faultsOf(all.errors ?? [])
}

function faultsOf(errors: readonly ErrorObject[]): WorksheetFault[] {
  const seen = new Set<string>()
  const faults = errors
    .filter(error => error.keyword !== 'anyOf' && !(error.keyword === 'type' && error.params.type === 'null'))
    .map(error => ({ path: pathOf(error), reason: sentence(error) }))
    .filter(fault => !seen.has(fault.path) && seen.add(fault.path))
  return faults.slice(0, MOST_FAULTS)
}

function pathOf(error: ErrorObject): string {
  const at = error.instancePath.replace(/^\//, '')
  const extra = error.params.missingProperty ?? error.params.additionalProperty
  return [at, extra].filter(Boolean).join('/')
}

function sentence({ keyword, params, message }: ErrorObject): string {
  switch (keyword) {
    case 'required':
      return 'This is missing.'
    case 'additionalProperties':
      return 'This field is not known.'
    case 'enum':
      return `Must be one of: ${(params.allowedValues as string[]).join(', ')}.`
    case 'pattern':
      if ((params.pattern as string).endsWith('-\\d\\d$')) return 'This is not a day (2026-05-04).'
      return (params.pattern as string).startsWith('^\\d{4}')
        ? 'This is not a date and time (2026-05-04T13:05:00Z).'
        : 'An id has up to 64 letters, digits and . _ : -'
    case 'format':
      return NO_DATE
    case 'const':
      return `Must be ${JSON.stringify(params.allowedValue)}.`
    default:
      return `It ${message}.`
  }
}

/** Ids are not used twice. */
function* repeatedFaults({ lots, jobs }: Worksheet): Generator<WorksheetFault> {
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
function* jobFaults(job: WorksheetJob, j: number, lots: LotMap): Generator<WorksheetFault> {
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
function* kindFaults(worksheet: {
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
    if (tick.trial !== null && !trials.has(tick.trial))
      yield { path: `${path}/ticks/${i}/trial`, reason: `No fitting “${tick.trial}” in this check.` }
  }
  for (const [i, { trial }] of check.clearings.entries())
    if (!trials.has(trial)) yield { path: `${path}/clearings/${i}/trial`, reason: `No fitting “${trial}” in this check.` }
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
