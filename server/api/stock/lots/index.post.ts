import { NewLotDto } from '#shared/dto/stock'
import { taking } from '../../../http/route'
import { addLot } from '../../../service/stock'

export default taking('POST /api/stock/lots', NewLotDto, addLot)
