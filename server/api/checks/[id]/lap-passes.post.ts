import { LapPassDto } from '#shared/dto/lap'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { logLapPass } from '../../../service/check-commands'

export default route(async (event, db) => logLapPass(db, idParam(event, 'check'), await readDto(event, LapPassDto)))
