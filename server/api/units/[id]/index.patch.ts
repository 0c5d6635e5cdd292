import { UnitChangeDto } from '#shared/dto/job'
import { taking } from '../../../http/route'
import { changeUnit } from '../../../service/units'

export default taking('PATCH /api/units/:id', 'unit', UnitChangeDto, changeUnit)
