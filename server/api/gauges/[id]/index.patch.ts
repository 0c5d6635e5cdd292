import { GaugeChangeDto } from '#shared/dto/gauge'
import { taking } from '../../../http/route'
import { changeGauge } from '../../../service/gauges'

export default taking('PATCH /api/gauges/:id', 'gauge', GaugeChangeDto, changeGauge)
