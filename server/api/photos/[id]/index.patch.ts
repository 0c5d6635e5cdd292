import { PhotoChangeDto } from '#shared/dto/photo'
import { taking } from '../../../http/route'
import { changePhoto } from '../../../service/photos'

export default taking('PATCH /api/photos/:id', 'photograph', PhotoChangeDto, changePhoto)
