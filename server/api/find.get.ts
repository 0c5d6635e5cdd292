import { FindDto } from '#shared/dto/find'
import { find } from '../find/find'
import { readQuery } from '../http/body'
import { route } from '../http/route'

export default route(async (event, db) => find(db, await readQuery(event, FindDto)))
