import { Type } from 'class-transformer'
import { IsIn, IsInt, IsNumber, IsOptional, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import { METERS, STAGES, type Meter, type Stage } from '#core/worksheet/job-facts'
import { CommandDto, ID, ID_FAULT, IsDay, OperationDto } from './command'

export class NewJobDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(/\S/, { message: 'Which unit is it? The mail launch, the bus …' }) @MaxLength(80) unit!: string
  @IsString() @Matches(/\S/, { message: 'What is to be done? Reduction box, rear hubs …' }) @MaxLength(120) title!: string
  @IsOptional() @IsString() @MaxLength(4000) notes?: string
  /** it begins with the checks of this route */
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) route?: string
  /** or with those of this job, done once more */
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) again?: string
}

export class JobChangeDto extends CommandDto {
  @IsOptional() @IsString() @Matches(/\S/, { message: 'A job needs a title.' }) @MaxLength(120) title?: string
  @IsOptional() @IsString() @MaxLength(4000) notes?: string
  /** Null takes a fact away. */
  @IsOptional() @IsString() @MaxLength(60) reference?: string | null
  @IsOptional() @IsDay() cameIn?: string | null
  @IsOptional() @IsDay() promised?: string | null
  @IsOptional() @IsDay() handedOver?: string | null
  @IsOptional()
  @IsNumber({}, { message: 'A number, as the meter shows it.' })
  @Min(0, { message: 'No meter stands below zero.' })
  @Max(1e9, { message: 'No meter goes that far.' })
  meterReading?: number | null
  @IsOptional() @IsIn(STAGES, { message: 'In work, waiting, ready or handed over.' }) stage?: Stage
}

/** Everything of a unit; what is left out stays. */
export class UnitChangeDto extends CommandDto {
  @IsOptional() @IsString() @Matches(/\S/, { message: 'A unit needs a name.' }) @MaxLength(80) name?: string
  @IsOptional() @IsString() @MaxLength(200) description?: string
  @IsOptional() @IsString() @MaxLength(60) type?: string
  @IsOptional() @IsIn(METERS, { message: 'Hours, kilometres or miles.' }) meter?: Meter | null
  @IsOptional() @IsString() @MaxLength(4000) notes?: string
}

/** A part was replaced or reworked: what was measured on it before is stale. */
export class PartChangeDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) part!: string
  @IsString() @Matches(/\S/, { message: 'Say what was done: new shells, rod straightened …' }) @MaxLength(200) reason!: string
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
  'no-limit',
  'not-valid',
  'provisional',
  'stale',
  'to-do',
  'accepted',
] as const
export class JobQueryDto {
  /** in the unit, the job or one of its checks */
  @IsOptional() @IsString() @MaxLength(80) find = ''
  @IsOptional() @IsIn(JOB_STATES, { message: 'No such state.' }) state: (typeof JOB_STATES)[number] = 'all'
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) @Max(1e6) skip = 0
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(100) limit = 25
}
