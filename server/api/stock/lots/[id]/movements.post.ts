import { MovementDto } from '#shared/dto/stock'
import { taking } from '../../../../http/route'
import { moveStock } from '../../../../service/stock'

export default taking('POST /api/stock/lots/:id/movements', 'size', MovementDto, moveStock)
