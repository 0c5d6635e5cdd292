import { VoidDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { voidReading } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/voids', 'check', VoidDto, voidReading)
