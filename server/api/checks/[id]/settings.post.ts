import { SettingsDto } from '#shared/dto/check'
import { readDto } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { changeSettings } from '../../../service/check-commands'

export default route(async (event, db) => changeSettings(db, idParam(event, 'check'), await readDto(event, SettingsDto)))
