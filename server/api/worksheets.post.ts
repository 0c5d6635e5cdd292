import { getQuery } from 'h3'
import { WORKSHEET_LARGEST } from '#core/worksheet/worksheet'
import { readText } from '../http/body'
import { route } from '../http/route'
import { importWorksheet } from '../service/import'

export default route(async (event, db) => importWorksheet(db, await readText(event, WORKSHEET_LARGEST), getQuery(event).copy === 'yes'))
