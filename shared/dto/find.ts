import { Type } from 'class-transformer'
import { IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator'
import { IsDay } from './command'

export class FindDto {
  @IsOptional() @IsString() @MaxLength(200) words = ''
  @IsOptional() @IsDay() from?: string
  @IsOptional() @IsDay() to?: string
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) @Max(1e6) skip = 0
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(100) limit = 20
}

export class TrendQueryDto {
  @IsString() @MaxLength(60) type!: string
}
