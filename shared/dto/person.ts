import { IsString, Matches, MaxLength } from 'class-validator'
import { CommandDto, ID, ID_FAULT, OperationDto } from './command'

const NAME = { message: 'Whose name goes under the work?' }
const INITIALS = { message: 'One to four letters or digits.' }

export class NewPersonDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(/\S/, NAME) @MaxLength(80) name!: string
  @IsString() @Matches(/^[\p{L}\p{N}]{1,4}$/u, INITIALS) initials!: string
}

export class PersonChangeDto extends CommandDto {
  @IsString() @Matches(/\S/, NAME) @MaxLength(80) name!: string
  @IsString() @Matches(/^[\p{L}\p{N}]{1,4}$/u, INITIALS) initials!: string
}
