import { MovementDto } from '#shared/dto/stock'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { moveStock } from '../../../../service/stock'

export default route(async (event, db) => moveStock(db, idParam(event, 'size'), await readDto(event, MovementDto)))
