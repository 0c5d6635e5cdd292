import { LabelsDto } from '#shared/dto/label'
import { atDesk } from '../../desk/at-desk'
import { readDto } from '../../http/body'
import { makingFile } from '../../http/made'
import { faces } from '../../report/faces'
import { labelsOf } from '../../service/labels'

export default makingFile(async (event, db, to, listener) => {
  const { of, sheet, skip } = await readDto(event, LabelsDto)
  const labels = await labelsOf(db, { of, sheet })
  await atDesk('labels', { labels, sheet, skip, faces: await faces(), to }, listener)
  return { name: 'labels.pdf', type: 'application/pdf' }
})
