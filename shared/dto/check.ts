import type { MeritOrder } from '#core/choice/question/rules'
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsObject,
  IsString,
  Matches,
  MaxLength,
  Min,
  ValidateBy,
} from 'class-validator'
import { PIECE_SHAPES, type PieceShape } from '#core/pack/lot'
import type { Exact } from '#core/quantity/figure'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Torque } from '#core/quantity/measure'
import { STONES, type Stone } from '#core/reading/reading'
import { RULES, type DecisionRule } from '#core/verdict/decide'
import type { AimSchool } from '#core/verdict/aim'
import { CommandDto, ID, ID_FAULT, IsMoment, OperationDto } from './command'
import { IsLength, IsPieceLength, LimitSetDto, UNITS } from './limits'
import { Fits } from './fits'
import { Group, Groups, Optional, OrNone } from './optional'

/** Every value of an object is an id. */
export const AreIds = () =>
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
  @Optional() @IsLength() own?: Exact
  @Optional() @Fits('check.aim.reason') reason?: string
}

/** Only what is given changes; null takes a rule away. */
export class PackRulesDto {
  @Optional() @Fits('packRules.fewest') fewest?: number
  @Optional()
  @Fits('packRules.most', { type: 'A whole number of pieces.', least: 'At least one piece.', most: 'Packs of up to 20 pieces.' })
  most?: number
  @OrNone()
  @Fits('packRules.largestStack', { least: 'Must be above zero.', most: 'That is longer than anything on a bench.' })
  largestStack?: Nm | null
  @OrNone() @IsString() @Matches(ID, ID_FAULT) required?: string | null
  @Optional() @IsBoolean() onlyRemove?: boolean
  @Optional() @IsBoolean() noUnmeasured?: boolean
  @Optional() @IsIn(['trouble', 'pieces', 'changes', 'cost']) order?: MeritOrder
}

/** Limits of one result, or of a kind of result; `none` takes them away. */
export class LimitChangeDto {
  @IsString() @IsNotEmpty() @MaxLength(60) result!: string
  @IsIn(['book', 'shop']) role!: 'book' | 'shop'
  @Group(() => LimitSetDto) set!: LimitSetDto
}

/** Everything of a check that can be set on the bench; what is left out stays. */
export class CheckSettingsDto {
  @Optional() @Fits('check.title', { empty: 'Give the check a name.' }) title?: string
  @Optional() @IsIn(UNITS, { message: 'Choose an entry unit.' }) entryUnit?: LengthUnit
  @Optional() @IsObject() setup?: Record<string, string>
  @Optional() @IsArray() @ArrayMaxSize(200) @Groups(() => LimitChangeDto) limits?: LimitChangeDto[]
  @Optional() @IsIn(['tighter', 'book', 'shop']) working?: 'tighter' | 'book' | 'shop'
  @Optional() @IsIn(RULES as DecisionRule[]) rule?: DecisionRule
  /** Why the set-up is changed after a fitting. */
  @Optional() @IsString() @MaxLength(200) reason?: string
  @Optional() @Group(() => AimDto) aim?: AimDto
  @Optional() @Group(() => PackRulesDto) packRules?: PackRulesDto
  @Optional() @Fits('check.family') family?: string
  @Optional() @IsLength(0) uRefit?: Nm
  @Optional()
  @Fits('check.refitCost', { type: 'A count of readings.', least: 'One reading at least.', most: 'At most 1000 readings.' })
  refitCost?: number
  @Optional()
  @Fits('check.tipAngle', { type: 'An angle in degrees.', least: 'Between 0 and 60 degrees.', most: 'Between 0 and 60 degrees.' })
  tipAngle?: number
  /** By what each is kept under, its kind or `kind:tool`: its id in the register. */
  @Optional() @IsObject() @AreIds() gauges?: Record<string, string>
}

export class NewCheckDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @IsNotEmpty({ message: 'Choose the kind of check.' }) kind!: string
  @Group(() => CheckSettingsDto) settings!: CheckSettingsDto
}

export class SettingsDto extends CommandDto {
  @Group(() => CheckSettingsDto) settings!: CheckSettingsDto
}

/** One reading, in one form: start, far and back; figure (with the part’s temperature, the stone of a pass); low and high; word; or pieces taken. The point says which. */
export class ReadingDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsString() @Matches(ID, ID_FAULT) trialId!: string
  @Fits('reading.point') point!: string
  /** Order of the newest part change that was known when it was taken. */
  @Optional() @IsInt() @Min(0) seen?: number
  @Optional() @IsLength() start?: Nm
  @Optional() @IsLength() far?: Nm
  @Optional() @IsLength() back?: Nm
  @Optional() @IsBoolean() springBack?: boolean
  @Optional() @IsLength() figure?: Exact
  @Optional() @IsLength() low?: Exact
  @Optional() @IsLength() high?: Exact
  @Optional() @Fits('reading.leaves') leaves?: number
  @Optional() @Fits('reading.word') word?: string
  @Optional() @Fits('reading.torque', { type: 'A torque is a whole number of nN·m.' }) torque?: Torque
  @Optional()
  @Fits('reading.celsius', { type: 'A temperature in °C.', least: 'Nothing is that cold.', most: 'No part on a bench is that hot.' })
  celsius?: number
  /** Warm, and nobody knows how warm. */
  @Optional() @IsBoolean() hot?: boolean
  @Optional() @IsIn(STONES, { message: 'Coarse, medium or fine.' }) stone?: Stone
  @Optional()
  @Fits('reading.pieces')
  @ArrayUnique({ message: 'A piece is taken twice.' })
  pieces?: string[]
  @IsMoment() at!: string
}

export class VoidDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) readingId!: string
  @Fits('reading.voided.reason', { empty: 'Say why this reading is struck out.' }) reason!: string
}

export class TickDto extends CommandDto {
  @Fits('check.ticks.step') step!: string
  /** The fitting it was ticked for. */
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @IsBoolean() ticked!: boolean
}

/** A point that is not read in a fitting; no reason: it is asked for again. */
export class LeftOutDto extends CommandDto {
  @Fits('reading.point') point!: string
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @OrNone() @IsString() @MaxLength(200) reason?: string | null
}

/** The state the unit is in while it is measured. */
export class ConditionDto extends CommandDto {
  @Fits('check.ticks.step') condition!: string
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @Fits('check.ticks.step') state!: string
}

/** What was pending is done, accepted as it is, or open again. */
export class ClearingDto extends CommandDto {
  @Fits('check.clearings.item') item!: string
  @IsString() @Matches(ID, ID_FAULT) trial!: string
  @IsIn(['done', 'accepted', 'open']) how!: 'done' | 'accepted' | 'open'
  @Fits('check.clearings.by', { empty: 'Say who did it.' }) by!: string
}

/** A piece that goes in, measured while it was in the hand. */
export class PieceInHandDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsPieceLength(1) size!: Nm
  @Fits('lot.mark') mark!: string
}

/** A piece found in the machine: of a lot that is known, or of a size that becomes one. */
export class FoundPieceDto {
  @Optional() @IsString() @Matches(ID, ID_FAULT) lotId?: string
  @Optional() @IsPieceLength(1) size?: Nm
  @Optional() @IsBoolean() measured?: boolean
  @Optional() @IsIn(PIECE_SHAPES) shape?: PieceShape
  @Optional() @Fits('lot.mark') mark?: string
  @Optional() @Fits('lot.colour') colour?: string
  @Fits('pack.count', { type: 'A whole number of pieces.', least: 'At least one piece.', most: 'No more than 60 of a size.' })
  count!: number
}

export class FoundPackDto extends CommandDto {
  @Fits('lap.place') place!: string
  @Fits('pack') @Groups(() => FoundPieceDto) pieces!: FoundPieceDto[]
}

export class PieceDto {
  @IsString() @Matches(ID, ID_FAULT) lotId!: string
  @Fits('pack.count') count!: number
}

/** What goes into one place. */
export class PlacePackDto {
  @Fits('lap.place') place!: string
  @Fits('pack') @Groups(() => PieceDto) pieces!: PieceDto[]
}

/** Another fitting: the places that are taken apart, and what goes into each. */
export class FitDto extends CommandDto {
  @IsString() @Matches(ID, ID_FAULT) trialId!: string
  /** The fitting it was chosen on. */
  @Optional() @IsString() @Matches(ID, ID_FAULT) onto?: string
  /** Pieces promised to other checks, or kept back, are taken from there. */
  @Optional() @IsBoolean() claim?: boolean
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(60) @Groups(() => PlacePackDto) packs!: PlacePackDto[]
  /** Of the pieces that go in, those that were measured on the way. */
  @Optional() @IsArray() @ArrayMaxSize(60) @Groups(() => PieceInHandDto) inHand?: PieceInHandDto[]
}

/** Pieces promised to a place, or to be ordered for it; none takes it back. */
export class ReserveDto extends CommandDto {
  @Fits('lap.place') place!: string
  @Fits('pack') @Groups(() => PieceDto) pieces!: PieceDto[]
}

export class SignOffDto extends CommandDto {
  @Fits('check.signOff.by', { empty: 'A signature needs a name.' }) by!: string
  @Optional() @Fits('check.signOff.reason') reason?: string
  /** What is pending and accepted as it is. */
  @Optional() @IsArray() @ArrayMaxSize(40) @ArrayUnique() @IsString({ each: true }) @MaxLength(40, { each: true }) accepts?: string[]
}

export class ReopenDto extends CommandDto {
  @Fits('check.reopened.reason', { empty: 'Say why the check is opened again.' }) reason!: string
  @Fits('check.reopened.by', { empty: 'Say who opens it.' }) by!: string
}
