import { Type } from 'class-transformer'
import { ArrayMaxSize, IsArray, IsIn, IsInt, IsNotEmpty, IsString, Matches, Max, MaxLength, Min, ValidateIf } from 'class-validator'
import { SHAPES, type Shape } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import { CommandDto, ID, ID_FAULT, OperationDto } from './command'
import { IsPieceLength } from './limits'
import { Fits, inSchema } from './fits'
import { Group, Optional, OrNone } from './optional'

export class ToleranceDto {
  @IsPieceLength(0) plus!: Nm
  @IsPieceLength(0) minus!: Nm
}

export class NewLotDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @Fits('lot.family', { empty: 'Which family is it? Cover shims, thrust washers …' }) family!: string
  @IsPieceLength(1) nominal!: Nm
  @Optional() @IsPieceLength(1) measured?: Nm
  @Optional() @Group(() => ToleranceDto) tolerance?: ToleranceDto
  @Fits('lot.onHand', { type: 'A whole number of pieces.', least: 'Not fewer than none.' }) count!: number
  @Optional() @Fits('lot.mark') mark?: string
  @Optional() @Fits('lot.colour') colour?: string
  @Optional() @Fits('lot.tags') tags?: string[]
  @Optional() @Fits('lot.cost') cost?: number
  @Optional()
  @Fits('lot.leadDays', { type: 'Whole days.', least: 'Not less than no days.', most: 'At most 1000 days.' })
  leadDays?: number
  /** diameters of a washer */
  @Optional() @IsPieceLength(1) inside?: Nm
  @Optional() @IsPieceLength(1) outside?: Nm
  /** who it is bought from, and what they call it */
  @Optional() @IsString() @MaxLength(60) supplier?: string
  @Optional() @IsString() @MaxLength(40) article?: string
  @Optional() @IsIn(SHAPES, { message: 'Flat, stepped, sprung, sheet or packing.' }) shape?: Shape
}

/** Take in (why: take-in), or correct a count (why: count, with a reason). */
export class MovementDto extends CommandDto {
  @IsIn(['take-in', 'count']) why!: 'take-in' | 'count'
  @IsInt({ message: 'A whole number of pieces.' }) @Min(-100_000) @Max(100_000) change!: number
  @ValidateIf((m: MovementDto) => m.why === 'count')
  @IsNotEmpty({ message: 'Say why the count is corrected.' })
  @IsString()
  @MaxLength(200)
  note!: string
}

export class LotChangeDto extends CommandDto {
  /** figure by figure, of the pieces that were measured and put back among the others */
  @Optional() @IsArray() @ArrayMaxSize(inSchema('lot.sizes').maxItems!) @IsPieceLength(1, true) sizes?: Nm[]
  /** piece to piece; null: worked out from the sizes */
  @OrNone() @IsPieceLength(0) scatter?: Nm | null
  @Optional() @Fits('lot.reserved', { least: 'Not fewer than none.' }) kept?: number
  @Optional() @Fits('lot.mark') mark?: string
  @Optional() @Fits('lot.colour') colour?: string
  /** null: not known any more */
  @OrNone() @Fits('lot.cost', { type: 'A price in coins.', least: 'Not below nothing.' }) cost?: number | null
  @OrNone() @Fits('lot.leadDays', { type: 'Whole days.', least: 'Not less than no days.', most: 'At most 1000 days.' }) leadDays?:
    | number
    | null
  @Optional() @IsString() @MaxLength(60) supplier?: string
  @Optional() @IsString() @MaxLength(40) article?: string
  @OrNone() @IsPieceLength(1) inside?: Nm | null
  @OrNone() @IsPieceLength(1) outside?: Nm | null
}

/** One piece is measured and told apart from its like: it lies where its mark says. */
export class ApartDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsPieceLength(1) size!: Nm
  @Fits('lot.mark', { empty: 'Where does it lie? A mark, or a place in the tray.' }) mark!: string
}

export class UsesQueryDto {
  @Optional() @Type(() => Number) @IsInt() @Min(1) @Max(Number.MAX_SAFE_INTEGER) before?: number
}
