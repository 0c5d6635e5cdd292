import { ReceiptDto } from '#shared/dto/order'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { receive } from '../../../service/orders'

export default route(async (event, db) => receive(db, idParam(event, 'order'), await readDto(event, ReceiptDto)))
