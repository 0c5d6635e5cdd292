import { ReopenDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { reopen } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/reopen', 'check', ReopenDto, reopen)
