import Papa from 'papaparse'
import type { Fault } from '#shared/types'

export const CSV_LARGEST = 1_000_000
/** A spreadsheet must not run what a mark or a tag says: such text is written with a leading apostrophe. */
const OPTIONS = { newline: '\n', escapeFormulae: /^[=+\-@\t\r]/ }

export type TableRow<Column extends string> = Partial<Record<Column, string>>
export type NoTable = { readonly status: 413 | 422; readonly faults: readonly Fault[] }

/** Rows under their columns, as every spreadsheet reads them. */
export const writeTable = (columns: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...columns], data: rows as (string | number)[][] }, OPTIONS)}\n`

/**
 * The rows of a CSV file, or why it is none of this kind.
 * @param needed  columns it must have; of the others any may be missing
 * @param what    a row is of: `sizes`
 */
export function readTable<Column extends string>(
  text: string,
  columns: readonly Column[],
  needed: readonly Column[],
  { most, what }: { readonly most: number; readonly what: string },
): { readonly rows: readonly TableRow<Column>[] } | NoTable {
  const no = (reason: string, path = '', status: 413 | 422 = 422) => ({ status, faults: [{ path, reason }] })
  const parsed = Papa.parse<TableRow<Column>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: header => header.trim().toLowerCase(),
  })
  const missing = needed.filter(column => !parsed.meta.fields?.includes(column))
  if (missing.length > 0) return no(`The first line must name the columns; missing: ${missing.join(', ')}.`, 'line 1')
  const unknown = (parsed.meta.fields ?? []).filter(field => !(columns as readonly string[]).includes(field))
  if (unknown.length > 0) return no(`This column is not known: ${unknown[0]}.`, 'line 1')
  const broken = parsed.errors.find(error => error.type !== 'FieldMismatch' || error.code === 'TooManyFields')
  if (broken) return no(`${broken.message}.`, `line ${(broken.row ?? 0) + 2}`)
  if (parsed.data.length > most) return no(`At most ${most} ${what} a file; this one has ${parsed.data.length}.`, '', 413)
  return { rows: parsed.data }
}

/** What stands in a cell, without the apostrophe it was written with. */
export const cellOf = <Column extends string>(row: TableRow<Column>, column: Column): string =>
  (row[column] ?? '').trim().replace(/^'(?=[=+\-@\t\r])/, '')

/** Ids that are used twice are said of their lines. */
export function repeatedIds(items: readonly { readonly id: string }[]): Fault[] {
  const seen = new Set<string>()
  const twice = items.findIndex(({ id }) => seen.size === seen.add(id).size)
  return twice === -1 ? [] : [{ path: `line ${twice + 2}`, reason: `The id “${items[twice]!.id}” is used twice.` }]
}
