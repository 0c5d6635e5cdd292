import { IsBoolean, IsInt, IsString, Matches, Min } from 'class-validator'

export const ID = /^[A-Za-z0-9._:-]{1,64}$/
export const ID_FAULT = { message: 'An id has up to 64 letters, digits and . _ : -' }

/** What every write carries: an id made by the sender, so that sending twice is harmless. */
export class OperationDto {
  @IsString() @Matches(ID, ID_FAULT) op!: string
}

/** A write to something that has versions: the one the sender saw. */
export class CommandDto extends OperationDto {
  @IsInt({ message: 'The version seen must be a whole number.' }) @Min(0) version!: number
}

/** What was entered by mistake goes, or comes back. */
export class RemovalDto extends CommandDto {
  @IsBoolean() removed!: boolean
}

/** Date and time as browsers write it. */
export const DATE_TIME = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,3})?Z$/
