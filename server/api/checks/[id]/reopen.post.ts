import { ReopenDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { reopen } from '../../../service/check-commands'

export default route(async (event, db) => reopen(db, idParam(event, 'check'), await readDto(event, ReopenDto)))
