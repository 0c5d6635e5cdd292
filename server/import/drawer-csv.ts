import { v4 as uuid } from 'uuid'
import { formatLength } from '#core/quantity/format-length'
import { parseLength } from '#core/quantity/parse-length'
import type { Nm } from '#core/quantity/length'
import { SHAPES, withSizes, type Lot } from '#core/pack/lot'
import { ID, ID_FAULT } from '#shared/dto/command'
import type { Fault } from '#shared/types'
import { cellOf, readTable, repeatedIds, writeTable, type NoTable, type TableRow } from './csv'

/** Sizes of one file, as in a worksheet. */
const MOST_LINES = 5_000
const COLUMNS = [
  'id',
  'family',
  'nominal',
  'measured',
  'tolerance_plus',
  'tolerance_minus',
  'count',
  'keep_back',
  'mark',
  'colour',
  'tags',
  'cost',
  'lead_days',
  'shape',
  'sizes',
  'scatter',
  'apart',
  'inside',
  'outside',
  'supplier',
  'article',
] as const
type Row = TableRow<(typeof COLUMNS)[number]>

/** A drawer as CSV; every length carries its unit, so that the file reads back as it is. */
export function writeDrawer(lots: readonly BoughtLot[]): string {
  const mm = (length: Nm | null | undefined) =>
    length === null || length === undefined ? '' : `${formatLength(length, 'mm', { decimals: 6, trim: true })} mm`
  const rows = lots.map(lot => [
    lot.id,
    lot.family,
    mm(lot.nominal),
    mm(lot.measured),
    mm(lot.tolerance?.plus),
    mm(lot.tolerance?.minus),
    lot.onHand,
    lot.reserved,
    lot.mark,
    lot.colour,
    lot.tags.join('; '),
    lot.cost ?? '',
    lot.leadDays ?? '',
    lot.shape,
    lot.apart ? '' : (lot.sizes ?? []).map(mm).join('; '),
    mm(lot.scatter),
    lot.apart ? 'yes' : '',
    mm(lot.inside),
    mm(lot.outside),
    lot.supplier,
    lot.article,
  ])
  return writeTable(COLUMNS, rows)
}

/** A size, who it is bought from, and what they call it; empty: not known. */
export type BoughtLot = Lot & { readonly supplier: string; readonly article: string }
export type DrawerReading = { readonly lots: readonly BoughtLot[] } | NoTable

/** A drawer from CSV: all rows, or what is wrong with the first ten. Lengths are read as they are typed (0.10 mm, 4 thou); a bare number is thou. */
export function readDrawer(text: string): DrawerReading {
  const table = readTable(text, COLUMNS, ['family', 'nominal', 'count'], { most: MOST_LINES, what: 'sizes' })
  if ('faults' in table) return table
  const faults: Fault[] = []
  const lots = table.rows.map((row, i) => lotFrom(row, `line ${i + 2}`, faults))
  faults.push(...repeatedIds(lots))
  return faults.length > 0 ? { status: 422, faults: faults.slice(0, 10) } : { lots }
}

function lotFrom(row: Row, line: string, faults: Fault[]): BoughtLot {
  const field = (column: keyof Row) => cellOf(row, column)
  const length = (column: keyof Row, least: number): Nm | null => {
    if (field(column) === '') return null
    const entry = parseLength(field(column), 'thou')
    if (entry.ok && entry.value >= least) return entry.value
    faults.push({ path: `${line}, ${column}`, reason: entry.ok ? 'Must be above zero.' : entry.reason })
    return null
  }
  const whole = (column: keyof Row, fallback: number): number => {
    const value = field(column)
    if (value === '') return fallback
    if (/^\d{1,7}$/.test(value)) return Number(value)
    faults.push({ path: `${line}, ${column}`, reason: `“${value}” is not a whole number.` })
    return fallback
  }
  const nominal = length('nominal', 1)
  if (nominal === null && field('nominal') === '') faults.push({ path: `${line}, nominal`, reason: 'A size is missing.' })
  if (field('family') === '') faults.push({ path: `${line}, family`, reason: 'The family is missing.' })
  if (field('count') === '') faults.push({ path: `${line}, count`, reason: 'The count is missing.' })
  if (field('id') !== '' && !ID.test(field('id'))) faults.push({ path: `${line}, id`, reason: ID_FAULT.message })
  const shape = field('shape') || 'flat'
  if (!(SHAPES as readonly string[]).includes(shape))
    faults.push({ path: `${line}, shape`, reason: 'Must be flat, stepped, sprung, sheet or packing.' })
  const sizes = field('sizes')
    .split(';')
    .map(text => text.trim())
    .filter(Boolean)
    .slice(0, 1000)
    .flatMap(text => {
      const entry = parseLength(text, 'thou')
      if (entry.ok && entry.value > 0) return [entry.value]
      faults.push({ path: `${line}, sizes`, reason: entry.ok ? 'Must be above zero.' : entry.reason })
      return []
    })
  const scatter = length('scatter', 0)
  const [inside, outside] = [length('inside', 1), length('outside', 1)]
  if (inside !== null && outside !== null && inside >= outside)
    faults.push({ path: `${line}, inside`, reason: 'The hole is smaller than the rim: inside below outside.' })
  const apart = /^(yes|true|1)$/i.test(field('apart'))
  if (apart && field('measured') === '') faults.push({ path: `${line}, apart`, reason: 'A piece told apart has a measured figure.' })
  if (apart && whole('count', 0) > 1) faults.push({ path: `${line}, apart`, reason: 'A piece told apart is one piece.' })
  const plus = length('tolerance_plus', 0)
  const minus = length('tolerance_minus', 0)
  const lot: BoughtLot = {
    supplier: field('supplier').slice(0, 60),
    article: field('article').slice(0, 40),
    id: field('id') || uuid(),
    family: field('family').slice(0, 60),
    nominal: nominal ?? (1 as Nm),
    measured: length('measured', 1),
    tolerance: plus === null && minus === null ? null : { plus: plus ?? (0 as Nm), minus: minus ?? (0 as Nm) },
    onHand: whole('count', 0),
    reserved: whole('keep_back', 0),
    mark: field('mark').slice(0, 20),
    colour: field('colour').slice(0, 20),
    tags: field('tags')
      .split(';')
      .map(tag => tag.trim().slice(0, 120))
      .filter(Boolean)
      .slice(0, 20),
    cost: field('cost') === '' ? null : whole('cost', 0),
    leadDays: field('lead_days') === '' ? null : whole('lead_days', 0),
    shape: shape as Lot['shape'],
    ...(scatter === null ? {} : { scatter }),
    ...(apart ? { apart } : {}),
    ...(inside === null ? {} : { inside }),
    ...(outside === null ? {} : { outside }),
  }
  return sizes.length > 0 && !apart ? withSizes(lot, sizes) : lot
}
