import { LapEndDto } from '#shared/dto/lap'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { endLap } from '../../../service/check-commands'

export default route(async (event, db) => endLap(db, idParam(event, 'check'), await readDto(event, LapEndDto)))
