import { CommandDto } from '#shared/dto/command'
import { taking } from '../../../../http/route'
import { joinLike } from '../../../../service/stock'

export default taking('POST /api/stock/lots/:id/join', 'size', CommandDto, joinLike)
