import { GaugeCheckDto } from '#shared/dto/gauge'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { recordGaugeCheck } from '../../../service/gauges'

export default route(async (event, db) => recordGaugeCheck(db, idParam(event, 'gauge'), await readDto(event, GaugeCheckDto)))
