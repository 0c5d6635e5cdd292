import { IsOptional, IsString, MaxLength } from 'class-validator'
import { CommandDto, OperationDto } from './command'

/** What is sent beside the file; the operation’s id is the photograph’s. */
export class NewPhotoDto extends OperationDto {
  @IsOptional() @IsString() @MaxLength(200) caption?: string
  /** of this check of the job */
  @IsOptional() @IsString() @MaxLength(64) check?: string
}

export class PhotoChangeDto extends CommandDto {
  @IsString() @MaxLength(200) caption!: string
}
