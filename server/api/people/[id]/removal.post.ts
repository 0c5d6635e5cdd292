import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removePerson } from '../../../service/removal'

export default taking('POST /api/people/:id/removal', 'person', RemovalDto, removePerson)
