import { setHeader } from 'h3'
import { OrderListDto } from '#shared/dto/order'
import { readQuery } from '../../http/body'
import { route } from '../../http/route'
import { writeTable } from '../../import/csv'
import { ORDER_COLUMNS, orderRows } from '../../service/orders'

/** The list of one supplier, or an order, to send. */
export default route(async (event, db) => {
  const { supplier, order } = await readQuery(event, OrderListDto)
  const rows = await orderRows(db, order === undefined ? { supplier: supplier ?? '' } : { purchase: order })
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="order.csv"')
  return writeTable(ORDER_COLUMNS, rows)
})
