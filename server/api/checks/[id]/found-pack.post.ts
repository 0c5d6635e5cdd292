import { FoundPackDto } from '#shared/dto/check'
import { taking } from '../../../http/route'
import { listFoundPack } from '../../../service/check-commands'

export default taking('POST /api/checks/:id/found-pack', 'check', FoundPackDto, listFoundPack)
