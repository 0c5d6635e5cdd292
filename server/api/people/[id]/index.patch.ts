import { PersonChangeDto } from '#shared/dto/person'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changePerson } from '../../../service/people'

export default route(async (event, db) => changePerson(db, idParam(event, 'person'), await readDto(event, PersonChangeDto)))
