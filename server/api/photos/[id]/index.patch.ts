import { PhotoChangeDto } from '#shared/dto/photo'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changePhoto } from '../../../service/photos'

export default route(async (event, db) => changePhoto(db, idParam(event, 'photograph'), await readDto(event, PhotoChangeDto)))
