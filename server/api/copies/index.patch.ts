import { CopiesDto } from '#shared/dto/backup'
import { setCopies } from '../../backup/copies'
import { dataFolder } from '../../database/current'
import { readDto } from '../../http/body'
import { route } from '../../http/route'

export default route(async (event, db) => {
  const { folder, keep } = await readDto(event, CopiesDto)
  return setCopies(db, dataFolder(), { folder: folder?.trim() || null, keep })
})
