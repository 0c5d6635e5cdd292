import { idParam } from '../../../http/route'
import { takingPhoto } from '../../../photo/take'

export default takingPhoto(event => ({ unit: idParam(event, 'unit') }))
