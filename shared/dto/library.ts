import { Type } from 'class-transformer'
import { IsIn, IsObject, IsString, Matches, MaxLength, ValidateNested } from 'class-validator'
import { CommandDto, ID, ID_FAULT, NEEDED, OperationDto } from './command'
import { LimitSetDto } from './limits'

/** Everything of an entry of the library of limits. */
export class LibraryFieldsDto {
  @IsString() @Matches(/\S/, { message: 'What are these limits called?' }) @MaxLength(120) name!: string
  @IsString() @MaxLength(60) kind!: string
  @IsString() @MaxLength(60) result!: string
  @IsString() @MaxLength(60) type!: string
  @IsIn(['book', 'shop'], { message: 'Book or shop.' }) role!: 'book' | 'shop'
  @IsObject(NEEDED) @ValidateNested() @Type(() => LimitSetDto) set!: LimitSetDto
  @IsObject(NEEDED) rule!: Record<string, string>
}

export class NewLibraryLimitDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsObject(NEEDED) @ValidateNested() @Type(() => LibraryFieldsDto) fields!: LibraryFieldsDto
}

export class LibraryChangeDto extends CommandDto {
  @IsObject(NEEDED) @ValidateNested() @Type(() => LibraryFieldsDto) fields!: LibraryFieldsDto
}
