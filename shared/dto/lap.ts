import { IsBoolean, IsString, Matches } from 'class-validator'
import type { Nm } from '#core/quantity/length'
import { CommandDto, ID, ID_FAULT, IsMoment } from './command'
import { IsLength } from './limits'
import { Fits } from './fits'
import { Optional } from './optional'

/** A piece to be brought to a thickness, from a size of the drawer or from sheet. */
export class LapDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @Fits('lap.place') place!: string
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsLength(1) target!: Nm
  @Optional() @IsLength(1) low?: Nm
  @Optional() @IsLength(1) high?: Nm
}

/** Its thickness at four points. */
export class LapPassDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) lapId!: string
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @Fits('lap.passes.figures', { least: 'Four figures, one a point.', most: 'Four figures, one a point.' }) figures!: Nm[]
  @IsMoment() at!: string
}

/** made: into stock with its last figures; otherwise it is scrapped. */
export class LapEndDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) lapId!: string
  @IsBoolean() made!: boolean
}
