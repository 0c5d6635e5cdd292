import { PersonChangeDto } from '#shared/dto/person'
import { taking } from '../../../http/route'
import { changePerson } from '../../../service/people'

export default taking('PATCH /api/people/:id', 'person', PersonChangeDto, changePerson)
