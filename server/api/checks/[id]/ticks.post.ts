import { TickDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { tickStep } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/ticks', 'check', TickDto, tickStep)
