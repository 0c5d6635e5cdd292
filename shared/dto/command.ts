import { IsBoolean, IsInt, IsString, Matches, Max, MaxLength, Min, ValidateBy } from 'class-validator'
import { isDay } from '#core/quantity/day'
import { inSchema } from './fits'
import { Optional } from './optional'

/** How a thing is named, here and in a worksheet. */
export const ID = new RegExp(inSchema('lot.id').pattern!)
export const ID_FAULT = { message: 'An id has up to 64 letters, digits and . _ : -' }

/** Said of a group of fields that is missing. */
export const NEEDED = { message: 'This is missing.' }

/** A version is counted in 32 bits. */
const NEWEST = 2 ** 31 - 1

/** What every write carries: an id made by the sender, so that sending twice is harmless. */
export class OperationDto {
  @IsString() @Matches(ID, ID_FAULT) op!: string
  /** of what was sent, but for the version: set where it is read, never sent */
  declare content?: string
  /** whoever works at this screen, as far as they said */
  @Optional() @IsString() @MaxLength(80) who?: string
}

/** A write to something that has versions: the one the sender saw. */
export class CommandDto extends OperationDto {
  @IsInt({ message: 'The version seen must be a whole number.' }) @Min(0) @Max(NEWEST) version!: number
}

/** What was entered by mistake goes, or comes back. */
export class RemovalDto extends CommandDto {
  @IsBoolean() removed!: boolean
}

/** A day there is at the beginning of a text of this form. */
const isWhen = (value: unknown, form: RegExp): boolean => typeof value === 'string' && form.test(value) && isDay(value.slice(0, 10))
const when = (name: string, form: RegExp, message: string) => () =>
  ValidateBy({ name, validator: { validate: (value: unknown) => isWhen(value, form), defaultMessage: () => message } })

/** Date and time as browsers write it. */
export const IsMoment = when(
  'isMoment',
  /^\d{4}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,3})?Z$/,
  'A date and time such as 2026-05-04T13:05:00Z.',
)
export const IsDay = when('isDay', /^\d{4}-\d\d-\d\d$/, 'A day such as 2026-05-04.')
