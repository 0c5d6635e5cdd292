import { CodeDto } from '#shared/dto/label'
import { readQuery } from '../../http/body'
import { route } from '../../http/route'
import { scanned } from '../../service/codes'

export default route(async (event, db) => scanned(db, (await readQuery(event, CodeDto)).code))
