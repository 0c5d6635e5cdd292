import { IsInt, IsString, Max, MaxLength, Min } from 'class-validator'
import { OrNone } from './optional'

export class CopiesDto {
  /** left out or null: beside the data */
  @OrNone() @IsString() @MaxLength(400) folder?: string | null
  @IsInt({ message: 'A whole number of copies.' })
  @Min(1, { message: 'At least one stays.' })
  @Max(365, { message: 'At most 365.' })
  keep!: number
}
