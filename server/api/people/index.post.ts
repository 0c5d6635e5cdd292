import { NewPersonDto } from '#shared/dto/person'
import { taking } from '../../http/route'
import { addPerson } from '../../service/people'

export default taking('POST /api/people', NewPersonDto, addPerson)
