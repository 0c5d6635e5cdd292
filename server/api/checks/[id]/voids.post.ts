import { VoidDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { voidReading } from '../../../service/check-commands'

export default route(async (event, db) => voidReading(db, idParam(event, 'check'), await readDto(event, VoidDto)))
