import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../../http/route'
import { removeLot } from '../../../../service/removal'

export default taking('POST /api/stock/lots/:id/removal', 'size', RemovalDto, removeLot)
