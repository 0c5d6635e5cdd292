import { LabelsDto } from '#shared/dto/label'
import { taking } from '../../http/route'
import { labelsOf } from '../../service/labels'

export default taking('POST /api/labels', LabelsDto, labelsOf)
