import { NewGaugeDto } from '#shared/dto/gauge'
import { taking } from '../../http/route'
import { createGauge } from '../../service/gauges'

export default taking('POST /api/gauges', NewGaugeDto, createGauge)
