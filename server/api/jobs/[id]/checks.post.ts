import { NewCheckDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { createCheck } from '../../../service/new-check'

export default route(async (event, db) => createCheck(db, idParam(event, 'job'), await readDto(event, NewCheckDto)))
