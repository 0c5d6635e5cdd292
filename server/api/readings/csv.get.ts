import { Readable } from 'node:stream'
import { setHeader } from 'h3'
import { readingsCsv } from '../../export/readings'
import { route } from '../../http/route'

export default route((event, db) => {
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="readings.csv"')
  return Promise.resolve(Readable.from(readingsCsv(db), { objectMode: false }))
})
