import { IsIn, Matches } from 'class-validator'
import { REPORT_LENGTHS, type ReportLength } from '#core/report/report'
import { ID, ID_FAULT } from './command'
import { Optional } from './optional'

/** What is asked of a report. */
export class ReportQueryDto {
  @Optional() @IsIn(REPORT_LENGTHS as ReportLength[], { message: 'A report is one page, or full.' }) length?: ReportLength
  @Optional() @Matches(ID, ID_FAULT) check?: string
  @Optional() @IsIn(['A4', 'LETTER'], { message: 'Paper is A4 or LETTER.' }) paper?: 'A4' | 'LETTER'
}
