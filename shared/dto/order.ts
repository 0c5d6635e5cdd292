import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsArray, IsInt, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import type { Nm } from '#core/quantity/length'
import { CommandDto, ID, ID_FAULT, IsDay, OperationDto } from './command'
import { IsPieceLength } from './limits'
import { Fits } from './fits'
import { Optional, OrNone } from './optional'

const SUPPLIER_NEEDED = { message: 'Who is it ordered from?' }

/** Pieces of a size for the drawer itself. */
export class NewLineDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsInt({ message: 'A whole number of pieces.' }) @Min(1, { message: 'At least one.' }) @Max(10_000) pieces!: number
}

/** Lines of the list are ordered from a supplier. */
export class NewPurchaseDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(/\S/, SUPPLIER_NEEDED) @MaxLength(60) supplier!: string
  @IsArray()
  @ArrayMinSize(1, { message: 'Nothing is picked to order.' })
  @ArrayMaxSize(500)
  @ArrayUnique()
  @Matches(ID, { each: true, ...ID_FAULT })
  lines!: string[]
  @Optional() @IsString() @MaxLength(60) reference?: string
  @IsDay() orderedOn!: string
  @Optional() @IsDay() due?: string
}

export class PurchaseChangeDto extends CommandDto {
  @Optional() @IsString() @MaxLength(60) reference?: string
  /** null: not known any more */
  @OrNone() @IsDay() due?: string | null
}

/** One piece of a size that was ordered came. */
export class ReceiptDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  /** left out: nobody measured it */
  @Optional() @IsPieceLength(1) size?: Nm
  /** it gets a place of its own */
  @Optional() @Fits('lot.mark', { empty: 'Where does it lie? A mark, or a place in the tray.' }) mark?: string
}

/** The last piece of a size that came is taken back. */
export class ReceiptBackDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
}

/** What is outstanding of a size will not come. */
export class CancellationDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsString() @Matches(/\S/, { message: 'Why does it not come?' }) @MaxLength(200) reason!: string
}

/** Which list: of a supplier, or an order. */
export class OrderListDto {
  @Optional() @IsString() @MaxLength(60) supplier?: string
  @Optional() @IsString() @Matches(ID, ID_FAULT) order?: string
}
