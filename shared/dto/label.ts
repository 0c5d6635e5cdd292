import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsInt, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import { CODED, type Coded } from '#core/label/code'
import { SHEETS } from '#core/label/sheets'
import { ID, ID_FAULT } from './command'
import { Groups } from './optional'

export class LabelOfDto {
  @IsIn(Object.keys(CODED), { message: 'A job, a set, a bag, a gauge or a size.' }) thing!: Coded
  @IsString() @Matches(ID, ID_FAULT) id!: string
}

/** Which labels are wanted. */
export class LabelsDto {
  @IsArray()
  @ArrayMinSize(1, { message: 'Choose what the labels are of.' })
  @ArrayMaxSize(200, { message: 'At most 200 labels at once.' })
  @Groups(() => LabelOfDto)
  of!: LabelOfDto[]
  @IsIn(SHEETS.map(({ id }) => id), { message: 'There is no such sheet.' })
  sheet!: string
  /** labels of the first sheet that are gone already */
  @IsInt({ message: 'A whole number of labels.' }) @Min(0) @Max(100) skip!: number
}

export class CodeDto {
  @IsString() @MaxLength(40) code!: string
}
