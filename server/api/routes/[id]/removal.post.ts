import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removeRoute } from '../../../service/removal'

export default route(async (event, db) => removeRoute(db, idParam(event, 'route'), await readDto(event, RemovalDto)))
