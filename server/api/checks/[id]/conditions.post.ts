import { ConditionDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { sayCondition } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/conditions', 'check', ConditionDto, sayCondition)
