import type { RemovalDto } from '#shared/dto/command'
import type { LibraryChangeDto, NewLibraryLimitDto } from '#shared/dto/library'
import type { KeptLimit } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { entryById } from '../database/library'
import { notFound } from '../http/refuse'
import { asSent, commandShop } from './shop'

async function libraryWith(sql: Sql, id: string) {
  const entry = await entryById(sql, id)
  return { limits: entry ? [entry] : [] }
}

/** An entry as it is after the write. */
const kept = (id: string) => async (sql: Sql) => {
  const entry = await entryById(sql, id)
  if (!entry) throw notFound('entry')
  return entry
}

export const addEntry = (db: Database, dto: NewLibraryLimitDto): Promise<KeptLimit> =>
  commandShop(db, dto, sql => libraryWith(sql, dto.id), { kind: 'add-limits', id: dto.id, fields: asSent(dto.fields) }, kept(dto.id))

export const changeEntry = (db: Database, id: string, dto: LibraryChangeDto): Promise<KeptLimit> => {
  const { version } = dto
  return commandShop(db, dto, sql => libraryWith(sql, id), { kind: 'change-limits', id, fields: asSent(dto.fields) }, kept(id), {
    id,
    version,
  })
}

export const removeEntry = (db: Database, id: string, dto: RemovalDto): Promise<KeptLimit> => {
  const { version, removed } = dto
  return commandShop(db, dto, sql => libraryWith(sql, id), { kind: 'remove-limits', id, removed }, kept(id), { id, version })
}
