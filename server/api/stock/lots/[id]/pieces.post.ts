import { ApartDto } from '#shared/dto/stock'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { tellApart } from '../../../../service/stock'

export default route(async (event, db) => tellApart(db, idParam(event, 'size'), await readDto(event, ApartDto)))
