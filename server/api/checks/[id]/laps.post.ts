import { LapDto } from '#shared/dto/lap'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { beginLap } from '../../../service/check-commands'

export default route(async (event, db) => beginLap(db, idParam(event, 'check'), await readDto(event, LapDto)))
