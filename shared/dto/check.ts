import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
  ValidateBy,
} from 'class-validator'
import type { Exact } from '#core/quantity/figure'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Torque } from '#core/quantity/measure'
import { STONES, type Stone } from '#core/reading/reading'
import type { MeritOrder } from '#core/pack/chooser/merit'
import { RULES, type DecisionRule } from '#core/verdict/decide'
import type { AimSchool } from '#core/verdict/aim'
import { CommandDto, ID, ID_FAULT, IsMoment, NEEDED, OperationDto } from './command'
import { IsLength, IsPieceLength, LimitSetDto, UNITS } from './limits'

/** Every value of an object is an id. */
const AreIds = () =>
  ValidateBy({
    name: 'areIds',
    validator: {
      validate: (value: unknown) =>
        typeof value === 'object' && value !== null && Object.values(value).every(id => typeof id === 'string' && ID.test(id)),
      defaultMessage: () => ID_FAULT.message,
    },
  })

export class AimDto {
  @IsIn(['middle', 'tight', 'loose', 'as-found', 'own'], { message: 'Choose what to aim at.' }) school!: AimSchool
  @IsOptional() @IsLength() own?: Exact
  @IsOptional() @IsString() @MaxLength(200) reason?: string
}

/** Only what is given changes; null takes a rule away. */
export class PackRulesDto {
  @IsOptional() @IsInt() @Min(0) @Max(20) fewest?: number
  @IsOptional()
  @IsInt({ message: 'A whole number of pieces.' })
  @Min(1, { message: 'At least one piece.' })
  @Max(12, { message: 'Packs of up to 12 pieces.' })
  most?: number
  @IsOptional() @IsLength(1) largestStack?: Nm
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) required?: string
  @IsOptional() @IsBoolean() onlyRemove?: boolean
  @IsOptional() @IsBoolean() noUnmeasured?: boolean
  @IsOptional() @IsIn(['trouble', 'pieces', 'changes', 'cost']) order?: MeritOrder
}

/** Limits of one result, or of a kind of result; `none` takes them away. */
export class LimitChangeDto {
  @IsString() @IsNotEmpty() @MaxLength(60) result!: string
  @IsIn(['book', 'shop']) role!: 'book' | 'shop'
  @IsObject(NEEDED) @ValidateNested() @Type(() => LimitSetDto) set!: LimitSetDto
}

/** Everything of a check that can be set on the bench; what is left out stays. */
export class CheckSettingsDto {
  @IsOptional() @IsString() @Matches(/\S/, { message: 'Give the check a name.' }) @MaxLength(120) title?: string
  @IsOptional() @IsIn(UNITS, { message: 'Choose an entry unit.' }) entryUnit?: LengthUnit
  @IsOptional() @IsObject() setup?: Record<string, string>
  @IsOptional() @IsArray() @ArrayMaxSize(200) @ValidateNested({ each: true }) @Type(() => LimitChangeDto) limits?: LimitChangeDto[]
  @IsOptional() @IsIn(['tighter', 'book', 'shop']) working?: 'tighter' | 'book' | 'shop'
  @IsOptional() @IsIn(RULES as DecisionRule[]) rule?: DecisionRule
  /** Why the set-up is changed after a fitting. */
  @IsOptional() @IsString() @MaxLength(200) reason?: string
  @IsOptional() @IsObject(NEEDED) @ValidateNested() @Type(() => AimDto) aim?: AimDto
  @IsOptional() @IsObject(NEEDED) @ValidateNested() @Type(() => PackRulesDto) packRules?: PackRulesDto
  @IsOptional() @IsString() @MaxLength(60) family?: string
  @IsOptional() @IsLength(0) uRefit?: Nm
  @IsOptional()
  @IsNumber({}, { message: 'An angle in degrees.' })
  @Min(0, { message: 'Between 0 and 60 degrees.' })
  @Max(60, { message: 'Between 0 and 60 degrees.' })
  tipAngle?: number
  /** By what each is kept under, its kind or `kind:tool`: its id in the register. */
  @IsOptional() @IsObject() @AreIds() gauges?: Record<string, string>
}

export class NewCheckDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @IsNotEmpty({ message: 'Choose the kind of check.' }) kind!: string
  @IsObject(NEEDED) @ValidateNested() @Type(() => CheckSettingsDto) settings!: CheckSettingsDto
}

export class SettingsDto extends CommandDto {
  @IsObject(NEEDED) @ValidateNested() @Type(() => CheckSettingsDto) settings!: CheckSettingsDto
}

/** One reading, in one form: start, far and back; figure (with the part’s temperature, the stone of a pass); low and high; word; or pieces taken. The point says which. */
export class ReadingDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(ID, ID_FAULT) trialId!: string
  @IsString() @MaxLength(40) point!: string
  /** Order of the newest part change that was known when it was taken. */
  @IsOptional() @IsInt() @Min(0) seen?: number
  @IsOptional() @IsLength() start?: Nm
  @IsOptional() @IsLength() far?: Nm
  @IsOptional() @IsLength() back?: Nm
  @IsOptional() @IsBoolean() springBack?: boolean
  @IsOptional() @IsLength() figure?: Exact
  @IsOptional() @IsLength() low?: Exact
  @IsOptional() @IsLength() high?: Exact
  @IsOptional() @IsInt() @Min(1) @Max(30) leaves?: number
  @IsOptional() @IsString() @MaxLength(20) word?: string
  @IsOptional() @IsInt({ message: 'A torque is a whole number of nN·m.' }) @Min(1) @Max(Number.MAX_SAFE_INTEGER) torque?: Torque
  @IsOptional()
  @IsNumber({}, { message: 'A temperature in °C.' })
  @Min(-273.15, { message: 'Nothing is that cold.' })
  @Max(1000, { message: 'No part on a bench is that hot.' })
  celsius?: number
  /** Warm, and nobody knows how warm. */
  @IsOptional() @IsBoolean() hot?: boolean
  @IsOptional() @IsIn(STONES, { message: 'Coarse, medium or fine.' }) stone?: Stone
  @IsOptional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(100)
  @ArrayUnique({ message: 'A piece is taken twice.' })
  @Matches(ID, { each: true, ...ID_FAULT })
  pieces?: string[]
  @IsMoment() at!: string
}

export class VoidDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) readingId!: string
  @IsString() @IsNotEmpty({ message: 'Say why this reading is struck out.' }) @MaxLength(200) reason!: string
}

export class TickDto extends CommandDto {
  @IsString() @MaxLength(40) step!: string
  /** The fitting it was ticked for; null: of the set-up. */
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) trial?: string | null
  @IsBoolean() ticked!: boolean
}

/** The state the unit is in while it is measured. */
export class ConditionDto extends CommandDto {
  @IsString() @MaxLength(40) condition!: string
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @IsString() @MaxLength(40) state!: string
}

/** What was pending is done, accepted as it is, or open again. */
export class ClearingDto extends CommandDto {
  @IsString() @MaxLength(40) item!: string
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @IsIn(['done', 'accepted', 'open']) how!: 'done' | 'accepted' | 'open'
  @IsString() @Matches(/\S/, { message: 'Say who did it.' }) @MaxLength(80) by!: string
}

/** A piece that goes in, measured while it was in the hand. */
export class PieceInHandDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsPieceLength(1) size!: Nm
  @IsString() @MaxLength(20) mark!: string
}

/** A piece found in the machine: of a lot that is known, or of a size that becomes one. */
export class FoundPieceDto {
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) lotId?: string
  @IsOptional() @IsPieceLength(1) size?: Nm
  @IsOptional() @IsBoolean() measured?: boolean
  @IsInt({ message: 'A whole number of pieces.' })
  @Min(1, { message: 'At least one piece.' })
  @Max(60, { message: 'No more than 60 of a size.' })
  count!: number
}

export class FoundPackDto extends CommandDto {
  @IsString() @MaxLength(40) place!: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => FoundPieceDto) pieces!: FoundPieceDto[]
}

export class PieceDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsInt() @Min(1) @Max(60) count!: number
}

/** What goes into one place. */
export class PlacePackDto {
  @IsString() @MaxLength(40) place!: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PieceDto) pieces!: PieceDto[]
}

/** Another fitting: the places that are taken apart, and what goes into each. */
export class FitDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) trialId!: string
  /** The fitting it was chosen on. */
  @IsOptional() @IsString() @Matches(ID, ID_FAULT) onto?: string
  /** Pieces promised to other checks, or kept back, are taken from there. */
  @IsOptional() @IsBoolean() claim?: boolean
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacePackDto) packs!: PlacePackDto[]
  /** Of the pieces that go in, those that were measured on the way. */
  @IsOptional() @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PieceInHandDto) inHand?: PieceInHandDto[]
}

/** Pieces promised to a place, or to be ordered for it; none takes it back. */
export class ReserveDto extends CommandDto {
  @IsString() @MaxLength(40) place!: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PieceDto) pieces!: PieceDto[]
}

export class SignOffDto extends CommandDto {
  @IsString() @Matches(/\S/, { message: 'A signature needs a name.' }) @MaxLength(80) by!: string
  @IsOptional() @IsString() @MaxLength(400) reason?: string
  /** What is pending and accepted as it is. */
  @IsOptional() @IsArray() @ArrayMaxSize(40) @ArrayUnique() @IsString({ each: true }) @MaxLength(40, { each: true }) accepts?: string[]
}

export class ReopenDto extends CommandDto {
  @IsString() @Matches(/\S/, { message: 'Say why the check is opened again.' }) @MaxLength(400) reason!: string
  @IsString() @Matches(/\S/, { message: 'Say who opens it.' }) @MaxLength(80) by!: string
}
