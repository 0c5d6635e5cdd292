import { LapDto } from '#shared/dto/lap'
import { taking } from '../../../http/route'
import { beginLap } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/laps', 'check', LapDto, beginLap)
