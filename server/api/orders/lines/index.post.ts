import { NewLineDto } from '#shared/dto/order'
import { readDto } from '../../../http/body'
import { route } from '../../../http/route'
import { addLine } from '../../../service/orders'

export default route(async (event, db) => addLine(db, await readDto(event, NewLineDto)))
