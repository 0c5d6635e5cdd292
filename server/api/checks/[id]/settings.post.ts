import { SettingsDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { changeSettings } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/settings', 'check', SettingsDto, changeSettings)
