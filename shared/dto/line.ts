import { IsIn, IsObject, IsString, Matches, MaxLength } from 'class-validator'
import type { LengthUnit } from '#core/quantity/length'
import { AreIds } from './check'
import { ID, ID_FAULT, OperationDto } from './command'
import { Fits } from './fits'
import { UNITS } from './limits'
import { Optional } from './optional'

/** A job as it was typed in one line, kept as a check: of a job that is there, or of a new one. */
export class KeptLineDto extends OperationDto {
  /** of the check */
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(/\S/, { message: 'Type what was read.' }) @MaxLength(400) line!: string
  /** what a bare figure means where the line does not say */
  @IsIn(UNITS, { message: 'Choose an entry unit.' }) entryUnit!: LengthUnit
  @Optional() @IsString() @Matches(ID, ID_FAULT) job?: string
  /** of the new job: its unit by name, and what is to be done */
  @Optional() @Fits('job.unit.name', { empty: 'Which unit is it? The mail launch, the bus …' }) unit?: string
  @Optional() @Fits('job.title', { empty: 'What is to be done? Reduction box, rear hubs …' }) jobTitle?: string
  /** of the check; left out: that of its kind */
  @Optional() @Fits('check.title', { empty: 'Give the check a name.' }) title?: string
  /** what the line cannot say and the kind has to know */
  @Optional() @IsObject() setup?: Record<string, string>
  /** its pieces belong there */
  @Optional() @Fits('check.family') family?: string
  /** By what each is kept under: its id in the register; left out: the likeliest. */
  @Optional() @IsObject() @AreIds() gauges?: Record<string, string>
}
