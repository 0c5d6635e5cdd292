import { LabelsDto } from '#shared/dto/label'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { labelsOf } from '../../service/labels'

export default route(async (event, db) => labelsOf(db, await readDto(event, LabelsDto)))
