import { ReadingDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { logReading } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/readings', 'check', ReadingDto, logReading)
