import { IsBoolean, IsIn, IsInt, IsString, Matches, Max, Min } from 'class-validator'
import { ALL_UNITS, type Exact, type Unit } from '#core/quantity/figure'
import type { LengthUnit } from '#core/quantity/length'
import type { LimitSourceKind } from '#core/verdict/limits'
import { ID, ID_FAULT } from './command'
import { Fits, inSchema } from './fits'
import { Group, Optional } from './optional'

/** Bench figures stay within ±1 km, 1000 N·m, 1000 kN: anything else is a slip. Small units */
export const LONGEST = inSchema('limits.upper').maximum!
export const UNITS: LengthUnit[] = ['thou', 'tenth', 'in', 'mm', 'um']
const WHOLE = { message: 'A length is a whole number of nanometres; a torque of nN·m, a force of µN.' }
const RANGE = { message: 'That is longer than anything on a bench, or more.' }

/** A figure in small units at a field, a length in nm; with `each`, every figure of a list. */
export function IsLength(least = -LONGEST, each = false, most = LONGEST): PropertyDecorator {
  return (target, key) => {
    IsInt({ each, ...WHOLE })(target, key as string)
    Min(least, { each, ...(least > -LONGEST ? { message: least > 0 ? 'Must be above zero.' : 'Must not be below zero.' } : RANGE) })(
      target,
      key as string,
    )
    Max(most, { each, ...RANGE })(target, key as string)
  }
}

/** A piece of a drawer is under a metre. */
export const IsPieceLength = (least: number, each = false): PropertyDecorator => IsLength(least, each, inSchema('lot.nominal').maximum)

/** An entry of the library, and how it stood. */
export class LimitEntryDto {
  @IsString() @Matches(ID, ID_FAULT) id!: string
  @IsInt() @Min(1) version!: number
}

export class LimitSourceDto {
  @IsIn(['book', 'shop', 'kit-leaflet', 'borrowed', 'common-practice', 'own'], { message: 'Say where the limits come from.' })
  kind!: LimitSourceKind
  @Optional() @Fits('limits.source.text') text?: string
  @Optional() @Fits('limits.source.page') page?: string
  @Optional() @Fits('limits.source.revision') revision?: string
  @Optional() @Fits('limits.source.date') date?: string
  @Optional() @Group(() => LimitEntryDto) entry?: LimitEntryDto
}

export class LimitSetDto {
  @IsIn(['two-sided', 'upper', 'lower', 'figure', 'none'], { message: 'Choose the kind of limits.' }) kind!:
    | 'two-sided'
    | 'upper'
    | 'lower'
    | 'figure'
    | 'none'
  @Optional() @IsLength() lower?: Exact
  @Optional() @IsLength() upper?: Exact
  @Optional() @IsBoolean() lowerExcluded?: boolean
  @Optional() @IsBoolean() upperExcluded?: boolean
  @Optional() @IsLength() figure?: Exact
  @IsIn(ALL_UNITS as Unit[], { message: 'Choose a unit.' }) unit!: Unit
  @Group(() => LimitSourceDto) source!: LimitSourceDto
}
