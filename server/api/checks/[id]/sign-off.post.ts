import { SignOffDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { signOff } from '../../../service/check-commands'

export default route(async (event, db) => signOff(db, idParam(event, 'check'), await readDto(event, SignOffDto)))
