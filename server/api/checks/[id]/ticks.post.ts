import { TickDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { tickStep } from '../../../service/check-commands'

export default route(async (event, db) => tickStep(db, idParam(event, 'check'), await readDto(event, TickDto)))
