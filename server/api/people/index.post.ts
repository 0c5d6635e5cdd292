import { NewPersonDto } from '#shared/dto/person'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { addPerson } from '../../service/people'

export default route(async (event, db) => addPerson(db, await readDto(event, NewPersonDto)))
