import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsNumber, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import { GAUGE_KINDS, type GaugeKind } from '#core/reading/gauge'
import { ALL_UNITS, type Exact, type Unit } from '#core/quantity/figure'
import type { Nm } from '#core/quantity/length'
import { CommandDto, ID, ID_FAULT, IsDay, OperationDto } from './command'
import { IsLength } from './limits'
import { Fits, inSchema } from './fits'
import { Group, Groups, Optional, OrNone } from './optional'

export class GaugeRangeDto {
  /** below zero for a thermometer, and no further than absolute zero */
  @IsLength(-273_150_000) low!: Exact
  @IsLength(1) high!: Exact
}

/** Everything of a gauge; what is left out stays, or takes the plain default on a new one. */
export class GaugeFieldsDto {
  @Optional() @Fits('gauge.name', { empty: 'Give the gauge a name.' }) name?: string
  @Optional() @IsIn(ALL_UNITS as Unit[], { message: 'Choose a unit.' }) unit?: Unit
  @Optional() @IsLength(1) graduation?: Exact
  @Optional()
  @IsNumber({}, { message: 'A part of a graduation, such as 0.5.' })
  @Min(0.01, { message: 'Between a hundredth and one.' })
  @Max(1, { message: 'Between a hundredth and one.' })
  readableFraction?: number
  @Optional() @IsLength(0) permissibleError?: Exact
  @Optional() @IsLength(0) repeatability?: Exact
  @Optional() @IsLength(0) hysteresis?: Exact
  @OrNone() @IsLength(1) rangePerTurn?: Exact | null
  @OrNone() @Group(() => GaugeRangeDto) range?: GaugeRangeDto | null
  @Optional() @IsIn(['climbs', 'falls']) sense?: 'climbs' | 'falls'
  @Optional() @IsArray() @ArrayMaxSize(inSchema('gauge.sizes').maxItems!) @IsLength(1, true) sizes?: Exact[]
  @OrNone() @IsLength(1) widest?: Exact | null
  @OrNone() @IsDay() lastCheck?: string | null
  @OrNone() @IsDay() due?: string | null
}

export class NewGaugeDto extends OperationDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsIn(GAUGE_KINDS as GaugeKind[], { message: 'Choose the kind of gauge.' }) kind!: GaugeKind
  @Group(() => GaugeFieldsDto) fields!: GaugeFieldsDto
}

export class GaugeChangeDto extends CommandDto {
  @Group(() => GaugeFieldsDto) fields!: GaugeFieldsDto
}

/** Zeroed, or tried on its standard, on this day. */
export class ZeroedDto extends OperationDto {
  @IsDay() on!: string
}

export class AnvilDto {
  @IsString() @Matches(/\S/, { message: 'A name to tell it by.' }) @MaxLength(40) name!: string
  @IsLength(0) low!: Nm
  @IsLength(1) high!: Nm
  @Optional() @IsBoolean() missing?: boolean
}
export class WasherDto {
  @IsString() @Matches(/\S/, { message: 'A name to tell it by.' }) @MaxLength(40) name!: string
  @IsLength(0) length!: Nm
  @Optional() @IsBoolean() missing?: boolean
}
export class BoreKitDto extends CommandDto {
  @IsArray() @ArrayMaxSize(40) @Groups(() => AnvilDto) anvils!: AnvilDto[]
  @IsArray() @ArrayMaxSize(20) @Groups(() => WasherDto) washers!: WasherDto[]
}

/** What came out when it was checked. */
export class GaugeCheckDto extends CommandDto {
  @IsDay() on!: string
  @IsBoolean() good!: boolean
  @Optional() @IsString() @MaxLength(400) note?: string
  @IsString() @Matches(/\S/, { message: 'Say who checked it.' }) @MaxLength(80) by!: string
  @OrNone() @IsDay() due?: string | null
}
