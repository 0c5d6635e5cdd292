import { PartDto } from '#shared/dto/part'
import { readQuery } from '../../http/body'
import { route } from '../../http/route'
import { stockView } from '../../service/stock'

export default route(async (event, db) => {
  const { skip } = await readQuery(event, PartDto)
  return db.reading(sql => stockView(sql, skip))
})
