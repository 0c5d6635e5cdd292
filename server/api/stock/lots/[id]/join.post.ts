import { CommandDto } from '#shared/dto/command'
import { readDto } from '../../../../http/body'
import { idParam, route } from '../../../../http/route'
import { joinLike } from '../../../../service/stock'

export default route(async (event, db) => joinLike(db, idParam(event, 'size'), await readDto(event, CommandDto)))
