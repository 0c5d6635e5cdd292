import { NewLibraryLimitDto } from '#shared/dto/library'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { addEntry } from '../../service/library'

export default route(async (event, db) => addEntry(db, await readDto(event, NewLibraryLimitDto)))
