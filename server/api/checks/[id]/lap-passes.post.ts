import { LapPassDto } from '#shared/dto/lap'
import { taking } from '../../../http/route'
import { logLapPass } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/lap-passes', 'check', LapPassDto, logLapPass)
