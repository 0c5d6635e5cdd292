import { setHeader } from 'h3'
import { writeDictionary } from '../../export/readings'
import { route } from '../../http/route'

export default route(event => {
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="readings-dictionary.csv"')
  return Promise.resolve(writeDictionary())
})
