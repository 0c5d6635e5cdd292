import { ZeroedDto } from '#shared/dto/gauge'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { markZeroed } from '../../../service/gauges'

export default route(async (event, db) => markZeroed(db, idParam(event, 'gauge'), await readDto(event, ZeroedDto)))
