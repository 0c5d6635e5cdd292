import { PartChangeDto } from '#shared/dto/job'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { replacePart } from '../../../service/part-change'

export default route(async (event, db) => replacePart(db, idParam(event, 'job'), await readDto(event, PartChangeDto)))
