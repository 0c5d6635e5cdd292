import { GaugeCheckDto } from '#shared/dto/gauge'
import { taking } from '../../../http/route'
import { recordGaugeCheck } from '../../../service/gauges'

export default taking('POST /api/gauges/:id/checks', 'gauge', GaugeCheckDto, recordGaugeCheck)
