import { RemovalDto } from '#shared/dto/command'
import { taking } from '../../../http/route'
import { removePhoto } from '../../../service/photos'

export default taking('POST /api/photos/:id/removal', 'photograph', RemovalDto, removePhoto)
