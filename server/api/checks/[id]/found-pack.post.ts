import { FoundPackDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { listFoundPack } from '../../../service/fit-pack'

export default route(async (event, db) => listFoundPack(db, idParam(event, 'check'), await readDto(event, FoundPackDto)))
