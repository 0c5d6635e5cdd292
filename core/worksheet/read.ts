import Ajv, { type ErrorObject } from 'ajv'
import { lotMap } from '../pack/lot'
import { isDay } from '../quantity/day'
import { jobFaults, kindFaults, NO_DATE, repeatedFaults, type WorksheetFault } from './faults'
import { tooMany, unfit, valuesIn } from './plain'
import { upgradeWorksheet, type OldWorksheet } from './upgrade'
import schemaV1 from './worksheet.v1.schema.json'
import schemaV2 from './worksheet.v2.schema.json'
import schemaV3 from './worksheet.v3.schema.json'
import schemaV4 from './worksheet.v4.schema.json'
import schema from './worksheet.schema.json'
import { WORKSHEET_FORMAT, WORKSHEET_LARGEST, WORKSHEET_VERSION, type Worksheet } from './worksheet'

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
const validators = {
  1: validatorsOf(schemaV1),
  2: validatorsOf(schemaV2),
  3: validatorsOf(schemaV3),
  4: validatorsOf(schemaV4),
  5: validatorsOf(schema),
} as const
const isOld = (version: unknown): version is 1 | 2 | 3 | 4 => [1, 2, 3, 4].includes(version as number)
/** Jobs of one file. */
const MOST_JOBS = 2000
const MOST_FAULTS = 10
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
  const version = isOld(head.version) ? head.version : WORKSHEET_VERSION
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
  const worksheet = upgradeWorksheet(value as unknown as OldWorksheet | Worksheet)
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
