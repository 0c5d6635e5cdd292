import { FitDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { fitPack } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/fittings', 'check', FitDto, fitPack)
