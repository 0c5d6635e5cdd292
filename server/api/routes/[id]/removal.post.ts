import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removeRoute } from '../../../service/removal'

export default taking('POST /api/routes/:id/removal', 'route', RemovalDto, removeRoute)
