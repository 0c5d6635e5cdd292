import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removeJob } from '../../../service/removal'

export default route(async (event, db) => removeJob(db, idParam(event, 'job'), await readDto(event, RemovalDto)))
