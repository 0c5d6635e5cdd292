import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removePerson } from '../../../service/removal'

export default route(async (event, db) => removePerson(db, idParam(event, 'person'), await readDto(event, RemovalDto)))
