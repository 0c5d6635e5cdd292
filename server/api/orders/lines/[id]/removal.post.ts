import { OperationDto } from '#shared/dto/command'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { dropLine } from '../../../../service/orders'

export default route(async (event, db) => dropLine(db, idParam(event, 'line of the order list'), await readDto(event, OperationDto)))
