import { LibraryChangeDto } from '#shared/dto/library'
import { taking } from '../../../http/route'
import { changeEntry } from '../../../service/library'

export default taking('PATCH /api/limits/:id', 'entry', LibraryChangeDto, changeEntry)
