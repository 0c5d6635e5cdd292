import { setHeader } from 'h3'
import { ReportQueryDto } from '#shared/dto/report'
import { readQuery } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { faces } from '../../../report/faces'
import { reportPdf } from '../../../report/pdf'
import { photoFiles, reportOf } from '../../../service/report'
import { fileName } from '../../../http/file-name'

export default route(async (event, db) => {
  const { length = 'page', check = null, paper = 'A4' } = await readQuery(event, ReportQueryDto)
  const report = await reportOf(db, idParam(event, 'job'), { length, check })
  const pdf = await reportPdf(report, paper, await faces(), await photoFiles(db, report))
  setHeader(event, 'content-type', 'application/pdf')
  setHeader(event, 'content-disposition', `attachment; filename="${fileName(report.title)}.report.pdf"`)
  return pdf
})
