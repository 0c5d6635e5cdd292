import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removeEntry } from '../../../service/library'

export default route(async (event, db) => removeEntry(db, idParam(event, 'entry'), await readDto(event, RemovalDto)))
