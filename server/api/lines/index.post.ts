import { KeptLineDto } from '#shared/dto/line'
import { taking } from '../../http/route'
import { keepLine } from '../../service/lines'

export default taking('POST /api/lines', KeptLineDto, keepLine)
