import { getQuery } from 'h3'
import { WORKSHEET_LARGEST } from '#core/worksheet/worksheet'
import { readText } from '../http/body'
import { listener } from '../http/lines'
import { route } from '../http/route'
import { importWorksheet } from '../import/worksheet'

export default route(async (event, db) => {
  const text = await readText(event, WORKSHEET_LARGEST)
  return importWorksheet(db, text, getQuery(event).copy === 'yes', listener(event))
})
