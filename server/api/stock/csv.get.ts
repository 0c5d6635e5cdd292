import { setHeader } from 'h3'
import { route } from '../../http/route'
import { exportStock } from '../../import/drawer'

export default route(async (event, db) => {
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="drawer.csv"')
  return exportStock(db)
})
