import { LapEndDto } from '#shared/dto/lap'
import { taking } from '../../../http/route'
import { endLap } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/lap-ends', 'check', LapEndDto, endLap)
