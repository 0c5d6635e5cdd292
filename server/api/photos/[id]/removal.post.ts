import { RemovalDto } from '#shared/dto/command'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { removePhoto } from '../../../service/photos'

export default route(async (event, db) => removePhoto(db, idParam(event, 'photograph'), await readDto(event, RemovalDto)))
