import { libraryFault, type LibraryFields, type LibraryLimit } from '#core/check/library'
import { limitSetOf } from '#core/verdict/limits'
import type { RemovalDto } from '#shared/dto/command'
import type { LibraryChangeDto, LibraryFieldsDto, NewLibraryLimitDto } from '#shared/dto/library'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { allEntries, entryById, insertEntry } from '../database/library'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'
import { isRepeat } from './once'

/** What was sent, without what was left out. */
const plain = (fields: LibraryFieldsDto) => JSON.parse(JSON.stringify(fields)) as LibraryFields

function entryFrom(id: string, version: number, fields: LibraryFieldsDto): LibraryLimit {
  const sent = plain(fields)
  const fault = libraryFault(sent)
  if (fault) throw refuse(422, fault.words, `fields.${fault.at}`)
  const { entry: _, ...source } = sent.set.source
  return { ...sent, id, version, name: sent.name.trim(), type: sent.type.trim(), set: limitSetOf({ ...sent.set, source }) }
}

export const addEntry = (db: Database, dto: NewLibraryLimitDto): Promise<LibraryLimit[]> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      if (await entryById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
      const entry = entryFrom(dto.id, 1, dto.fields)
      await insertEntry(sql, entry)
      await insertEvent(sql, dto, { subject: dto.id, version: 1, what: `Limits entered: ${entry.name}` })
    }
    return allEntries(sql)
  })

/** A changed entry is a new version: open checks that took the old one are asked, signed ones keep it. */
export const changeEntry = (db: Database, id: string, dto: LibraryChangeDto): Promise<LibraryLimit[]> =>
  db.transaction(async sql => {
    const entry = await present(sql, id)
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, entry.version)
      const next = entryFrom(id, entry.version + 1, dto.fields)
      await insertEntry(sql, next)
      await insertEvent(sql, dto, { subject: id, version: next.version, what: `Limits changed: ${next.name}` })
    }
    return allEntries(sql)
  })

export const removeEntry = (db: Database, id: string, dto: RemovalDto): Promise<LibraryLimit[]> =>
  db.transaction(async sql => {
    const entry = await entryById(sql, id)
    if (!entry) throw notFound('entry')
    if (!(await isRepeat(sql, dto)) && entry.removed !== dto.removed) {
      await assertFresh(sql, id, dto.version, entry.version)
      await insertEntry(sql, { ...entry, version: entry.version + 1 }, dto.removed)
      await insertEvent(sql, dto, { subject: id, version: entry.version + 1, what: dto.removed ? 'Removed' : 'Brought back' })
    }
    return allEntries(sql)
  })

async function present(sql: Sql, id: string) {
  const entry = await entryById(sql, id)
  if (!entry || entry.removed) throw notFound('entry')
  return entry
}
