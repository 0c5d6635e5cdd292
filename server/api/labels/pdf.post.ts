import { setHeader } from 'h3'
import { LabelsDto } from '#shared/dto/label'
import { readDto } from '../../http/body'
import { route } from '../../http/route'
import { labelsPdf } from '../../label/pdf'
import { faces } from '../../report/faces'
import { labelsOf } from '../../service/labels'

export default route(async (event, db) => {
  const dto = await readDto(event, LabelsDto)
  const pdf = await labelsPdf(await labelsOf(db, dto), dto.sheet, dto.skip, await faces())
  setHeader(event, 'content-type', 'application/pdf')
  setHeader(event, 'content-disposition', 'attachment; filename="labels.pdf"')
  return pdf
})
