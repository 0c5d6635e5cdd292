import { LibraryChangeDto } from '#shared/dto/library'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changeEntry } from '../../../service/library'

export default route(async (event, db) => changeEntry(db, idParam(event, 'entry'), await readDto(event, LibraryChangeDto)))
