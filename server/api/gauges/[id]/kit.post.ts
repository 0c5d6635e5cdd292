import { BoreKitDto } from '#shared/dto/gauge'
import { taking } from '../../../http/route'
import { keepBoreKit } from '../../../service/gauges'

export default taking('POST /api/gauges/:id/kit', 'gauge', BoreKitDto, keepBoreKit)
