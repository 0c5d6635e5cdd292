import { BoreKitDto } from '#shared/dto/gauge'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { keepBoreKit } from '../../../service/gauges'

export default route(async (event, db) => keepBoreKit(db, idParam(event, 'gauge'), await readDto(event, BoreKitDto)))
