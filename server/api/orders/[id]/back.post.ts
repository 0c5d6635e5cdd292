import { CommandDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { putBack } from '../../../service/orders'

export default route(async (event, db) => putBack(db, idParam(event, 'order'), await readDto(event, CommandDto)))
