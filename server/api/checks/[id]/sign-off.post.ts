import { SignOffDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { signOff } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/sign-off', 'check', SignOffDto, signOff)
