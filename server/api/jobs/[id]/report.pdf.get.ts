import { ReportQueryDto } from '#shared/dto/report'
import { atDesk } from '../../../desk/at-desk'
import { readQuery } from '../../../http/body'
import { fileName } from '../../../http/file-name'
import { makingFile } from '../../../http/made'
import { idParam } from '../../../http/route'
import { faces } from '../../../report/faces'
import { photoFiles, reportOf } from '../../../service/report'

export default makingFile(async (event, db, to, listener) => {
  const { length = 'page', check = null, paper = 'A4' } = await readQuery(event, ReportQueryDto)
  const report = await reportOf(db, idParam(event, 'job'), { length, check })
  await atDesk('report', { report, paper, faces: await faces(), files: await photoFiles(db, report), to }, listener)
  return { name: `${fileName(report.title)}.report.pdf`, type: 'application/pdf' }
})
