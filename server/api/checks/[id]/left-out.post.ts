import { LeftOutDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { leaveOut } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/left-out', 'check', LeftOutDto, leaveOut)
