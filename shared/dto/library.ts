import { IsIn, IsObject, IsString, Matches, MaxLength } from 'class-validator'
import { CommandDto, ID, ID_FAULT, NEEDED, OperationDto } from './command'
import { LimitSetDto } from './limits'
import { Fits, Longest } from './fits'
import { Group } from './optional'

/** Everything of an entry of the library of limits. */
export class LibraryFieldsDto {
  @Fits('check.title', { empty: 'What are these limits called?' }) name!: string
  @Fits('check.kind') kind!: string
  @IsString() @MaxLength(60) result!: string
  @Longest('job.unit.type') type!: string
  @IsIn(['book', 'shop'], { message: 'Book or shop.' }) role!: 'book' | 'shop'
  @Group(() => LimitSetDto) set!: LimitSetDto
  @IsObject(NEEDED) rule!: Record<string, string>
}

export class NewLibraryLimitDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @Group(() => LibraryFieldsDto) fields!: LibraryFieldsDto
}

export class LibraryChangeDto extends CommandDto {
  @Group(() => LibraryFieldsDto) fields!: LibraryFieldsDto
}
