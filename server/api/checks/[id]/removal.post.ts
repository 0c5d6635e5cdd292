import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removeCheck } from '../../../service/removal'

export default route(async (event, db) => removeCheck(db, idParam(event, 'check'), await readDto(event, RemovalDto)))
