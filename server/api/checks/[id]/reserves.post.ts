import { ReserveDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { reservePack } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/reserves', 'check', ReserveDto, reservePack)
