import { NewRouteDto } from '#shared/dto/route'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { saveRoute } from '../../service/routes'

export default route(async (event, db) => saveRoute(db, await readDto(event, NewRouteDto)))
