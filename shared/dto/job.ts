import { Type } from 'class-transformer'
import { IsIn, IsInt, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import { METERS, STAGES, type Meter, type Stage } from '#core/worksheet/job-facts'
import { CommandDto, ID, ID_FAULT, IsDay, OperationDto } from './command'
import { Fits, Longest } from './fits'
import { Optional, OrNone } from './optional'

export class NewJobDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @Fits('job.unit.name', { empty: 'Which unit is it? The mail launch, the bus …' }) unit!: string
  @Fits('job.title', { empty: 'What is to be done? Reduction box, rear hubs …' }) title!: string
  @Optional() @Fits('job.notes') notes?: string
  /** it begins with the checks of this route */
  @Optional() @IsString() @Matches(ID, ID_FAULT) route?: string
  /** or with those of this job, done once more */
  @Optional() @IsString() @Matches(ID, ID_FAULT) again?: string
}

export class JobChangeDto extends CommandDto {
  @Optional() @Fits('job.title', { empty: 'A job needs a title.' }) title?: string
  @Optional() @Fits('job.notes') notes?: string
  /** Null takes a fact away. */
  @OrNone() @Longest('job.reference') reference?: string | null
  @OrNone() @IsDay() cameIn?: string | null
  @OrNone() @IsDay() promised?: string | null
  @OrNone() @IsDay() handedOver?: string | null
  @OrNone()
  @Fits('job.meterReading', {
    type: 'A number, as the meter shows it.',
    least: 'No meter stands below zero.',
    most: 'No meter goes that far.',
  })
  meterReading?: number | null
  @Optional() @IsIn(STAGES, { message: 'In work, waiting, ready or handed over.' }) stage?: Stage
}

/** Everything of a unit; what is left out stays. */
export class UnitChangeDto extends CommandDto {
  @Optional() @Fits('job.unit.name', { empty: 'A unit needs a name.' }) name?: string
  @Optional() @Fits('job.unit.description') description?: string
  @Optional() @Longest('job.unit.type') type?: string
  @OrNone() @IsIn(METERS, { message: 'Hours, kilometres or miles.' }) meter?: Meter | null
  @Optional() @IsString() @MaxLength(4000) notes?: string
}

/** A part was replaced or reworked: what was measured on it before is stale. */
export class PartChangeDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) part!: string
  @Fits('check.partChanges.reason', { empty: 'Say what was done: new shells, rod straightened …' }) reason!: string
  @IsString() @Matches(/\S/, { message: 'Say who did it.' }) @MaxLength(80) by!: string
}

/** What of the book of jobs can be asked for. */
const JOB_STATES = [
  'all',
  'open',
  'waiting',
  'finished',
  'in',
  'below',
  'above',
  'close',
  'doubted',
  'no-limit',
  'not-valid',
  'provisional',
  'stale',
  'to-do',
  'part-read',
  'accepted',
] as const
export class JobQueryDto {
  /** in the unit, the job or one of its checks */
  @Optional() @IsString() @MaxLength(80) find = ''
  /** who asks, by name: what was last in these hands comes first */
  @Optional() @IsString() @MaxLength(80) who = ''
  @Optional() @IsIn(JOB_STATES, { message: 'No such state.' }) state: (typeof JOB_STATES)[number] = 'all'
  @Optional() @Type(() => Number) @IsInt() @Min(0) @Max(1e6) skip = 0
  @Optional() @Type(() => Number) @IsInt() @Min(1) @Max(100) limit = 25
}
