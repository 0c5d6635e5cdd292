import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removeEntry } from '../../../service/library'

export default taking('POST /api/limits/:id/removal', 'entry', RemovalDto, removeEntry)
