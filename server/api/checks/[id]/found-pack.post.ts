import { FoundPackDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { listFoundPack } from '../../../service/check-commands'

export default route(async (event, db) => listFoundPack(db, idParam(event, 'check'), await readDto(event, FoundPackDto)))
