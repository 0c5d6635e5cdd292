import { ClearingDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { clearPending } from '../../../service/check-commands'

export default route(async (event, db) => clearPending(db, idParam(event, 'check'), await readDto(event, ClearingDto)))
