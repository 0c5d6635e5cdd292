import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { removeLot } from '../../../../service/removal'

export default route(async (event, db) => removeLot(db, idParam(event, 'size'), await readDto(event, RemovalDto)))
