import { v4 as uuid } from 'uuid'
import { libraryFault, ruleFields, type LibraryFields, type LibraryLimit } from '#core/check/library'
import { checkKinds } from '#core/check/registry'
import { ALL_UNITS, formatFigure, parseFigure, unitName, type Exact, type Unit } from '#core/quantity/figure'
import { SOURCE_NAME, limitSetOf, type LimitFields, type LimitSource } from '#core/verdict/limits'
import { ID, ID_FAULT } from '#shared/dto/command'
import type { Fault } from '#shared/types'
import { cellOf, readTable, repeatedIds, writeTable, type NoTable, type TableRow } from './csv'

const COLUMNS = [
  'id',
  'name',
  'kind',
  'result',
  'unit_type',
  'role',
  'limits',
  'lower',
  'upper',
  'lower_excluded',
  'upper_excluded',
  'figure',
  'unit',
  'source',
  'title',
  'page',
  'revision',
  'date',
  'rule',
] as const
type Row = TableRow<(typeof COLUMNS)[number]>
const MOST_LINES = 5_000

/** The library as CSV: each figure in the unit it was given in, exactly. */
export const writeLibrary = (entries: readonly LibraryLimit[]): string =>
  writeTable(
    COLUMNS,
    entries.map(({ id, name, kind, result, type, role, set, rule }) => {
      const figure = (value: Exact | undefined) => (value === undefined ? '' : formatFigure(value, set.unit, { decimals: 9, trim: true }))
      const { source } = set
      const fields: LimitFields = set
      return [
        ...[id, name, kind, result, type, role, set.kind],
        ...[fields.lower, fields.upper].map(figure),
        ...[fields.lowerExcluded, fields.upperExcluded].map(excluded => (excluded ? 'yes' : '')),
        ...[figure(fields.figure), unitName(set.unit)],
        ...[source.kind, source.text ?? '', source.page ?? '', source.revision ?? '', source.date ?? ''],
        ruleText(rule),
      ]
    }),
  )
const ruleText = (rule: LibraryLimit['rule']) =>
  Object.entries(rule)
    .map(([field, value]) => `${field}=${value}`)
    .join('; ')

/** A library from CSV: all of its entries, or what is wrong with the first ten. An entry without an id is a new one. */
export function readLibrary(text: string): { readonly entries: readonly LibraryLimit[] } | NoTable {
  const table = readTable(text, COLUMNS, ['name', 'kind', 'result', 'unit'], { most: MOST_LINES, what: 'limits' })
  if ('faults' in table) return table
  const faults: Fault[] = []
  const entries = table.rows.flatMap((row, i) => entryFrom(row, `line ${i + 2}`, faults) ?? [])
  faults.push(...repeatedIds(entries))
  return faults.length > 0 ? { status: 422, faults: faults.slice(0, 10) } : { entries }
}

/** Where a fault of an entry stands in the file. */
const COLUMN: Partial<Record<keyof LibraryLimit, string>> = { set: 'limits' }

function entryFrom(row: Row, line: string, faults: Fault[]): LibraryLimit | null {
  const field = (column: keyof Row) => cellOf(row, column)
  const say = (column: string, reason: string) => void faults.push({ path: `${line}, ${column}`, reason })
  const one = <Value extends string>(column: keyof Row, all: readonly Value[], first: Value): Value => {
    const value = field(column) || first
    if (!(all as readonly string[]).includes(value)) say(column, `Must be one of: ${all.join(', ')}.`)
    return value as Value
  }
  const unit = ALL_UNITS.find(candidate => [candidate, unitName(candidate)].includes(field('unit')))
  if (!unit) say('unit', `Must be one of: ${ALL_UNITS.map(unitName).join(', ')}.`)
  const figure = (column: 'lower' | 'upper' | 'figure') => {
    if (field(column) === '') return {}
    const entry = parseFigure(field(column), unit ?? ('thou' as Unit))
    if (entry.ok) return { [column]: entry.value }
    say(column, entry.reason)
    return {}
  }
  const limits = { ...figure('lower'), ...figure('upper'), ...figure('figure') } as Pick<LimitFields, 'lower' | 'upper' | 'figure'>
  const yes = (column: keyof Row) => /^(yes|true|1)$/i.test(field(column))
  const likely =
    limits.figure !== undefined ? 'figure' : limits.lower === undefined ? 'upper' : limits.upper === undefined ? 'lower' : 'two-sided'
  const words = (column: 'title' | 'page' | 'revision' | 'date', name: keyof LimitSource, most: number) =>
    field(column) === '' ? {} : { [name]: field(column).slice(0, most) }
  if (field('id') !== '' && !ID.test(field('id'))) say('id', ID_FAULT.message)
  const kind = checkKinds.find(({ id, title }) => [id, title.toLowerCase()].includes(field('kind').toLowerCase()))?.id ?? field('kind')
  const entry: LibraryFields = {
    name: field('name').slice(0, 120),
    kind,
    result: field('result'),
    type: field('unit_type').slice(0, 60),
    role: one('role', ['book', 'shop'], 'book'),
    set: {
      kind: one('limits', ['two-sided', 'upper', 'lower', 'figure'], likely),
      ...limits,
      ...(yes('lower_excluded') ? { lowerExcluded: true } : {}),
      ...(yes('upper_excluded') ? { upperExcluded: true } : {}),
      unit: unit ?? 'thou',
      source: {
        kind: one('source', Object.keys(SOURCE_NAME) as LimitSource['kind'][], 'book'),
        ...words('title', 'text', 200),
        ...words('page', 'page', 40),
        ...words('revision', 'revision', 40),
        ...words('date', 'date', 20),
      },
    },
    rule: Object.fromEntries(
      field('rule')
        .split(';')
        .map(pair => pair.split('=').map(part => part.trim()))
        .filter((pair): pair is [string, string] => pair.length === 2 && ruleFields(kindOf(kind)).length > 0),
    ),
  }
  const fault = unit === undefined ? undefined : libraryFault(entry)
  if (fault) say(COLUMN[fault.at] ?? fault.at, fault.words)
  return fault === null ? { id: field('id') || uuid(), version: 1, ...entry, set: limitSetOf(entry.set) } : null
}
const kindOf = (id: string) => checkKinds.find(kind => kind.id === id) ?? { setupFields: [] }
