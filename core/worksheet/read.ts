import Ajv, { type ErrorObject } from 'ajv'
import { checkKinds } from '../check/registry'
import type { CheckDocument } from '../check/document'
import { lotMap, type LotMap } from '../pack/lot'
import { limitsFault } from '../verdict/limits'
import schema from './worksheet.schema.json'
import { WORKSHEET_FORMAT, WORKSHEET_LARGEST, WORKSHEET_VERSION, type Worksheet } from './worksheet'

export interface WorksheetFault {
  /** Where in the file: `jobs/0/checks/2/limits/book/upper`. */
  readonly path: string
  readonly reason: string
}
export type WorksheetReading = { readonly ok: true, readonly worksheet: Worksheet } | { readonly ok: false, readonly faults: readonly WorksheetFault[] }

const validate = new Ajv({ allErrors: true, strict: false }).compile(schema)
const MOST_FAULTS = 10
const NO_DATE = 'There is no such date.'
const one = (path: string, reason: string): WorksheetReading => ({ ok: false, faults: [{ path, reason }] })

/**
 * Reads a worksheet, all of it or nothing. Bad text, another format, a newer version, a wrong field, a piece of no known lot: the
 * place and a sentence.
 */
export function readWorksheet(text: string): WorksheetReading {
  if (text.length > WORKSHEET_LARGEST) return one('', `The file is larger than ${WORKSHEET_LARGEST / 1e6} million characters.`)
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
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return one('', 'This is not a worksheet: a JSON object is expected.')
  const head = value as { format?: unknown, version?: unknown }
  if (head.format !== WORKSHEET_FORMAT) return one('format', `This is not a worksheet: “format” must be “${WORKSHEET_FORMAT}”.`)
  if (typeof head.version === 'number' && head.version > WORKSHEET_VERSION) return one('version', `This worksheet is of version ${head.version}; this program reads up to ${WORKSHEET_VERSION}. Use a newer program.`)
  if (!validate(value)) return { ok: false, faults: faultsOf(validate.errors ?? []) }
  const worksheet = value as unknown as Worksheet
  const faults = [...meaningFaults(worksheet)].slice(0, MOST_FAULTS)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, worksheet }
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
    case 'required': return 'This is missing.'
    case 'additionalProperties': return 'This field is not known.'
    case 'enum': return `Must be one of: ${(params.allowedValues as string[]).join(', ')}.`
    case 'pattern': return (params.pattern as string).startsWith('^\\d{4}') ? 'This is not a date and time (2026-05-04T13:05:00Z).' : 'An id has up to 64 letters, digits and . _ : -'
    case 'const': return `Must be ${JSON.stringify(params.allowedValue)}.`
    default: return `It ${message}.`
  }
}

/** What a schema cannot say: every reference leads somewhere, ids are not used twice, limits make sense. */
function* meaningFaults(worksheet: Worksheet): Generator<WorksheetFault> {
  const lots = lotMap(worksheet.lots)
  yield* repeated(worksheet.lots, 'lots')
  yield* repeated(worksheet.jobs, 'jobs')
  yield* repeated(worksheet.jobs.flatMap(job => job.checks), 'checks of all jobs')
  yield* repeated(worksheet.jobs.flatMap(job => job.checks.flatMap(check => check.trials)), 'trials of all checks')
  yield* repeated(worksheet.jobs.flatMap(job => job.checks.flatMap(check => check.trials.flatMap(trial => trial.readings))), 'readings of all trials')
  for (const [j, job] of worksheet.jobs.entries()) {
    for (const [c, check] of job.checks.entries()) yield* checkFaults(check, `jobs/${j}/checks/${c}`, lots)
  }
}

function* repeated(items: readonly { readonly id: string }[], where: string): Generator<WorksheetFault> {
  const seen = new Set<string>()
  for (const { id } of items) {
    if (seen.has(id)) yield { path: where, reason: `The id “${id}” is used twice.` }
    seen.add(id)
  }
}

function* checkFaults(check: CheckDocument, path: string, lots: LotMap): Generator<WorksheetFault> {
  const kind = checkKinds.find(candidate => candidate.id === check.kind)
  if (!kind) {
    yield { path: `${path}/kind`, reason: `This version knows no check of the kind “${check.kind}”.` }
    return
  }
  for (const [id, value] of Object.entries(check.setup)) {
    if (!kind.setupFields.find(field => field.id === id)?.options.some(option => option.value === value)) yield { path: `${path}/setup/${id}`, reason: `“${value}” is not a choice here.` }
  }
  for (const end of ['book', 'shop'] as const) {
    const limits = check.limits[end]
    const fault = limits && limitsFault(limits)
    if (fault) yield { path: `${path}/limits/${end}`, reason: fault }
  }
  if (check.aim.school === 'own' && check.aim.own === undefined) yield { path: `${path}/aim/own`, reason: 'An aim of one’s own needs its figure.' }
  const trials = new Set(check.trials.map(trial => trial.id))
  for (const [i, tick] of check.ticks.entries()) {
    if (tick.trial !== null && !trials.has(tick.trial)) yield { path: `${path}/ticks/${i}/trial`, reason: `No fitting “${tick.trial}” in this check.` }
  }
  if (check.signOff && Number.isNaN(Date.parse(check.signOff.at))) yield { path: `${path}/signOff/at`, reason: NO_DATE }
  const points = new Set(kind.points(check.setup).map(point => point.id))
  for (const [t, trial] of check.trials.entries()) {
    if (Number.isNaN(Date.parse(trial.at))) yield { path: `${path}/trials/${t}/at`, reason: NO_DATE }
    for (const [p, piece] of (trial.pack ?? []).entries()) {
      if (!lots.has(piece.lotId)) yield { path: `${path}/trials/${t}/pack/${p}/lotId`, reason: `No lot “${piece.lotId}” in this file.` }
    }
    for (const [r, reading] of trial.readings.entries()) {
      if (reading.at !== undefined && Number.isNaN(Date.parse(reading.at))) yield { path: `${path}/trials/${t}/readings/${r}/at`, reason: NO_DATE }
      if (!points.has(reading.point)) yield { path: `${path}/trials/${t}/readings/${r}/point`, reason: `This kind has no point “${reading.point}”.` }
    }
  }
  if (check.signOff && check.trials.length === 0) yield { path: `${path}/signOff`, reason: 'Signed, but nothing was measured.' }
}
