import { NewGaugeDto } from '#shared/dto/gauge'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { createGauge } from '../../service/gauges'

export default route(async (event, db) => createGauge(db, await readDto(event, NewGaugeDto)))
