import { ZeroedDto } from '#shared/dto/gauge'
import { taking } from '../../../http/route'
import { markZeroed } from '../../../service/gauges'

export default taking('POST /api/gauges/:id/zeroed', 'gauge', ZeroedDto, markZeroed)
