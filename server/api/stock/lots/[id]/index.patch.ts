import { LotChangeDto } from '#shared/dto/stock'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { changeLot } from '../../../../service/stock'

export default route(async (event, db) => changeLot(db, idParam(event, 'size'), await readDto(event, LotChangeDto)))
