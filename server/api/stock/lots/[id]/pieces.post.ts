import { ApartDto } from '#shared/dto/stock'
import { taking } from '../../../../http/route'
import { tellApart } from '../../../../service/stock'

export default taking('POST /api/stock/lots/:id/pieces', 'size', ApartDto, tellApart)
