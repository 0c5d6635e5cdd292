import { OperationDto } from '#shared/dto/command'
import { taking } from '../../../../http/route'
import { dropLine } from '../../../../service/orders'

export default taking('POST /api/orders/lines/:id/removal', 'line of the order list', OperationDto, dropLine)
