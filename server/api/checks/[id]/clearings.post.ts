import { ClearingDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { clearPending } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/clearings', 'check', ClearingDto, clearPending)
