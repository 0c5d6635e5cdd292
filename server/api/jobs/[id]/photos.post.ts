import { idParam } from '../../../http/route'
import { takingPhoto } from '../../../photo/take'

export default takingPhoto((event, { check }) => ({ job: idParam(event, 'job'), check: check ?? null }))
