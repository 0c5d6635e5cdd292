import { NewRouteDto } from '#shared/dto/route'
import { taking } from '../../http/route'
import { saveRoute } from '../../service/routes'

export default taking('POST /api/routes', NewRouteDto, saveRoute)
