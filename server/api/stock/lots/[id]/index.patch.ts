import { LotChangeDto } from '#shared/dto/stock'
import { taking } from '../../../../http/route'
import { changeLot } from '../../../../service/stock'

export default taking('PATCH /api/stock/lots/:id', 'size', LotChangeDto, changeLot)
