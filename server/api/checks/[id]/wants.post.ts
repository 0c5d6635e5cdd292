import { ReserveDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { wantPieces } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/wants', 'check', ReserveDto, wantPieces)
