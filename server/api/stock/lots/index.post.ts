import { NewLotDto } from '#shared/dto/stock'
import { readDto } from '../../../http/body'
import { route } from '../../../http/route'
import { addLot } from '../../../service/stock'

export default route(async (event, db) => addLot(db, await readDto(event, NewLotDto)))
