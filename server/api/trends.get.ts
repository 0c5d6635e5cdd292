import { TrendQueryDto } from '#shared/dto/find'
import { readQuery } from '../http/body'
import { route } from '../http/route'
import { trendsOfType } from '../service/trends'

export default route(async (event, db) => trendsOfType(db, (await readQuery(event, TrendQueryDto)).type))
