import { Type } from 'class-transformer'
import { IsInt, IsString, Max, MaxLength, Min } from 'class-validator'
import { IsDay } from './command'
import { Optional } from './optional'

export class FindDto {
  @Optional() @IsString() @MaxLength(200) words = ''
  @Optional() @IsDay() from?: string
  @Optional() @IsDay() to?: string
  @Optional() @Type(() => Number) @IsInt() @Min(0) @Max(1e6) skip = 0
  @Optional() @Type(() => Number) @IsInt() @Min(1) @Max(100) limit = 20
}

export class TrendQueryDto {
  @IsString() @MaxLength(60) type!: string
}
