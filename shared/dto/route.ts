import { IsString, Matches, MaxLength } from 'class-validator'
import { ID, ID_FAULT, OperationDto } from './command'

/** The checks of a job, kept for others of its kind. */
export class NewRouteDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(/\S/, { message: 'What is this route called?' }) @MaxLength(120) name!: string
  @IsString() @Matches(ID, ID_FAULT) job!: string
}
