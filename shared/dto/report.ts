import { IsIn, IsOptional, Matches } from 'class-validator'
import { REPORT_LENGTHS, type ReportLength } from '#core/report/report'
import { ID, ID_FAULT } from './command'

/** What is asked of a report. */
export class ReportQueryDto {
  @IsOptional() @IsIn(REPORT_LENGTHS as ReportLength[], { message: 'A report is one page, or full.' }) length?: ReportLength
  @IsOptional() @Matches(ID, ID_FAULT) check?: string
  @IsOptional() @IsIn(['A4', 'LETTER'], { message: 'Paper is A4 or LETTER.' }) paper?: 'A4' | 'LETTER'
}
