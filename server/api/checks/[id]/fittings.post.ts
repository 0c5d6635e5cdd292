import { FitDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { fitPack } from '../../../service/check-commands'

export default route(async (event, db) => fitPack(db, idParam(event, 'check'), await readDto(event, FitDto)))
