import { UsesQueryDto } from '#shared/dto/stock'
import { usesOfLot } from '../../../../database/uses'
import { readQuery } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'

export default route(async (event, db) => {
  const { before = null } = await readQuery(event, UsesQueryDto)
  return usesOfLot(db, idParam(event, 'size in the drawer'), before)
})
