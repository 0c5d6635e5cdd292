import { ConditionDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { sayCondition } from '../../../service/check-commands'

export default route(async (event, db) => sayCondition(db, idParam(event, 'check'), await readDto(event, ConditionDto)))
