import { ReadingDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { logReading } from '../../../service/check-commands'

export default route(async (event, db) => logReading(db, idParam(event, 'check'), await readDto(event, ReadingDto)))
