import { Type } from 'class-transformer'
import { IsInt, Max, Min } from 'class-validator'
import { Optional } from './optional'

/** Which part of a list is asked for. */
export class PartDto {
  /** as many were there in the parts before */
  @Optional() @Type(() => Number) @IsInt() @Min(0) @Max(1e6) skip = 0
}
