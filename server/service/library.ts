import type { LibraryLimit } from '#core/check/library'
import type { RemovalDto } from '#shared/dto/command'
import type { LibraryChangeDto, NewLibraryLimitDto } from '#shared/dto/library'
import type { Database, Sql } from '../database/client'
import { allEntries, entryById } from '../database/library'
import { asSent, commandShop } from './shop'

async function libraryWith(sql: Sql, id: string) {
  const entry = await entryById(sql, id)
  return { limits: entry ? [entry] : [] }
}

export const addEntry = (db: Database, dto: NewLibraryLimitDto): Promise<LibraryLimit[]> =>
  commandShop(db, dto, sql => libraryWith(sql, dto.id), { kind: 'add-limits', id: dto.id, fields: asSent(dto.fields) }, allEntries)

export const changeEntry = (db: Database, id: string, dto: LibraryChangeDto): Promise<LibraryLimit[]> => {
  const { version } = dto
  return commandShop(db, dto, sql => libraryWith(sql, id), { kind: 'change-limits', id, fields: asSent(dto.fields) }, allEntries, {
    id,
    version,
  })
}

export const removeEntry = (db: Database, id: string, dto: RemovalDto): Promise<LibraryLimit[]> => {
  const { version, removed } = dto
  return commandShop(db, dto, sql => libraryWith(sql, id), { kind: 'remove-limits', id, removed }, allEntries, { id, version })
}
