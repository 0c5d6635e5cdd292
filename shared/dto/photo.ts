import { IsString, MaxLength } from 'class-validator'
import { CommandDto, OperationDto } from './command'
import { Optional } from './optional'

/** What is sent beside the file; the operation’s id is the photograph’s. */
export class NewPhotoDto extends OperationDto {
  @Optional() @IsString() @MaxLength(200) caption?: string
  /** of this check of the job */
  @Optional() @IsString() @MaxLength(64) check?: string
}

export class PhotoChangeDto extends CommandDto {
  @IsString() @MaxLength(200) caption!: string
}
