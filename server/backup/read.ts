import { createHash } from 'node:crypto'
import { refuse, type Refused } from '../http/refuse'
import { BACKUP_FORMAT, BACKUP_VERSION, type CountersLine, type EndLine, type Head, type TableLine } from './format'
import { linesOf } from './lines'

const NONE = 'This is no backup of Finitum.'
const CUT = 'This backup was cut short: its end is missing. Nothing was changed.'
const damaged = (what: string): Refused => refuse(422, `This backup is damaged: ${what}. Nothing was changed.`)

/** A backup that was read to its end. */
export interface Whole extends Head {
  readonly rows: number
  /** of all lines but the last, as the last says */
  readonly sha256: string
}

/**
 * Reads all of a backup before anything rests on it.
 * @param known  migrations of this program, in their order
 * @throws Refused 422: no backup, cut short, altered, of a newer program, or its lines do not follow each other as they must
 */
export async function assertWhole(path: string, known: readonly string[]): Promise<Whole> {
  const digest = createHash('sha256')
  const order = new LineOrder()
  let head: Head | null = null
  let end: EndLine | null = null
  try {
    for await (const line of linesOf(path)) {
      if (end) throw damaged('something follows its end')
      if (head === null) head = headOf(line, known)
      else end = order.take(line)
      if (end === null) digest.update(line).update('\n')
    }
  } catch (error) {
    const { code = '' } = error as { code?: string }
    if (head === null && code.startsWith('Z_')) throw refuse(422, NONE)
    if (code === 'Z_BUF_ERROR') throw refuse(422, CUT)
    if (code.startsWith('Z_')) throw damaged('it cannot be unpacked')
    throw error
  }
  if (head === null) throw refuse(422, NONE)
  if (end === null) throw refuse(422, CUT)
  const sha256 = digest.digest('hex')
  if (end.sha256 !== sha256) throw refuse(422, 'This backup was altered: its digest is not that of its lines. Nothing was changed.')
  if (end.rows !== order.rows) throw damaged(`it counts ${String(end.rows)} rows and holds ${order.rows}`)
  return { ...head, rows: order.rows, sha256 }
}

const parsed = (line: Buffer): unknown => {
  try {
    return JSON.parse(line.toString('utf8'))
  } catch {
    return null
  }
}

function headOf(line: Buffer, known: readonly string[]): Head {
  const head = parsed(line) as Partial<Head> | null
  if (head?.format !== BACKUP_FORMAT || !Array.isArray(head.migrations) || !head.migrations.every(name => typeof name === 'string'))
    throw refuse(422, NONE)
  const { migrations } = head
  if (typeof head.version !== 'number' || head.version > BACKUP_VERSION || migrations.some(name => !known.includes(name)))
    throw refuse(422, 'This backup was written by a newer Finitum: restore it with that version.')
  // Tables go through the steps one after the other; none is left out and none is gone through twice.
  if (migrations.length === 0 || migrations.some((name, i) => name !== known[i]))
    throw damaged('the steps its tables had been through do not follow each other')
  return head as Head
}

const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0

/** What must follow what, after the head: tables each with its rows, the counters, the end. */
class LineOrder {
  /** so many were read */
  rows = 0
  private table: TableLine | null = null
  private begins = Buffer.alloc(0)
  private left = 0
  private before: Buffer | null = null
  private readonly tables = new Set<string>()
  private counted = false

  /** @returns the end, where this is it */
  take(line: Buffer): EndLine | null {
    if (this.left > 0) this.row(line)
    else return this.between(parsed(line))
    return null
  }

  /** What a row is, its table will say; what cannot be one goes no further. */
  private row(line: Buffer): void {
    const { table } = this.table!
    if (line[0] !== 0x7b || line.at(-1) !== 0x7d || !line.subarray(0, this.begins.length).equals(this.begins))
      throw damaged(`a row of the table ${table} is none`)
    if (this.before?.equals(line)) throw damaged(`a row of the table ${table} is there twice`)
    // A part of what was read goes with the rest of it.
    this.before = Buffer.from(line)
    this.left--
    this.rows++
  }

  private between(said: unknown): EndLine | null {
    const line = (said ?? {}) as Partial<TableLine & CountersLine & EndLine>
    if (this.counted) {
      if (line.end !== true) throw damaged('nothing but its end may follow the counters')
      return line as EndLine
    }
    if (typeof line.counters === 'object' && line.counters !== null) {
      if (Object.values(line.counters).some(value => value !== null && (!isCount(value) || value === 0)))
        throw damaged('a counter stands at what is no number')
      this.counted = true
      return null
    }
    if (line.end === true) throw damaged('its counters are missing')
    const { table, columns, rows } = line
    if (typeof table !== 'string' || !isCount(rows) || !isNames(columns)) throw damaged('a line of it is none')
    if (this.tables.has(table)) throw damaged(`the table ${table} is there twice`)
    this.tables.add(table)
    this.table = { table, columns, rows }
    this.begins = Buffer.from(`{${JSON.stringify(columns[0])}:`)
    this.left = rows
    this.before = null
    return null
  }
}

const isNames = (value: unknown): value is readonly string[] =>
  Array.isArray(value) && value.length > 0 && value.every(name => typeof name === 'string')
