import { UnitChangeDto } from '#shared/dto/job'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changeUnit } from '../../../service/units'

export default route(async (event, db) => changeUnit(db, idParam(event, 'unit'), await readDto(event, UnitChangeDto)))
