import { v4 as uuid } from 'uuid'
import type { LibraryLimit } from '#core/check/library'
import type { Database } from '../database/client'
import { insertEvent } from '../database/events'
import { entryById, insertEntry } from '../database/library'
import { refuseAll } from '../http/refuse'
import { readLibrary } from './library-csv'

export interface LibraryResult {
  readonly added: number
  readonly changed: number
}

/** Reads a library from CSV: all of it or nothing. An entry that is known by its id and says something else is a new version of it. */
export async function importLibrary(db: Database, text: string): Promise<LibraryResult> {
  const reading = readLibrary(text)
  if ('faults' in reading) throw refuseAll(reading.faults, reading.status)
  return db.transaction(async sql => {
    let [added, changed] = [0, 0]
    for (const entry of reading.entries) {
      const known = await entryById(sql, entry.id)
      if (known && !known.removed && same(known, entry)) continue
      const version = (known?.version ?? 0) + 1
      await insertEntry(sql, { ...entry, version })
      await insertEvent(sql, { op: uuid() }, { subject: entry.id, version, what: `Limits read from a CSV file: ${entry.name}` })
      if (known) changed++
      else added++
    }
    return { added, changed }
  })
}

/** Do they say the same, whatever their versions? */
function same(a: LibraryLimit, b: LibraryLimit): boolean {
  const said = ({ name, kind, result, type, role, set, rule }: LibraryLimit) => {
    const sorted = (value: object) => Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1))
    const { source, ...limits } = set
    return JSON.stringify([name, kind, result, type, role, sorted(limits), sorted(source), sorted(rule)])
  }
  return said(a) === said(b)
}
