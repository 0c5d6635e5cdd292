import { NewLibraryLimitDto } from '#shared/dto/library'
import { taking } from '../../http/route'
import { addEntry } from '../../service/library'

export default taking('POST /api/limits', NewLibraryLimitDto, addEntry)
