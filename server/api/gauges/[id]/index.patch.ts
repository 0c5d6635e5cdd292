import { GaugeChangeDto } from '#shared/dto/gauge'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changeGauge } from '../../../service/gauges'

export default route(async (event, db) => changeGauge(db, idParam(event, 'gauge'), await readDto(event, GaugeChangeDto)))
