import { ReceiptBackDto } from '#shared/dto/order'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { takeBack } from '../../../service/orders'

export default route(async (event, db) => takeBack(db, idParam(event, 'order'), await readDto(event, ReceiptBackDto)))
