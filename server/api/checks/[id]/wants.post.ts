import { ReserveDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { wantPieces } from '../../../service/check-commands'

export default route(async (event, db) => wantPieces(db, idParam(event, 'check'), await readDto(event, ReserveDto)))
