import { CopiesDto } from '#shared/dto/backup'
import { setCopies } from '../../backup/copies'
import { dataFolder } from '../../current'
import { taking } from '../../http/route'

export default taking('PATCH /api/copies', CopiesDto, (db, { folder, keep }) =>
  setCopies(db, dataFolder(), { folder: folder?.trim() || null, keep }),
)
