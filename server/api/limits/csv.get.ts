import { setHeader } from 'h3'
import { allEntries } from '../../database/library'
import { route } from '../../http/route'
import { writeLibrary } from '../../import/library-csv'

export default route(async (event, db) => {
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="limits.csv"')
  return writeLibrary(await allEntries(db))
})
