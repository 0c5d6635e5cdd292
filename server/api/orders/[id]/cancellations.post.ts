import { CancellationDto } from '#shared/dto/order'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { cancel } from '../../../service/orders'

export default route(async (event, db) => cancel(db, idParam(event, 'order'), await readDto(event, CancellationDto)))
