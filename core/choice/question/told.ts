import { formatFigure, type FormatOptions } from '../../quantity/figure'
import type { LengthUnit } from '../../quantity/length'
import type { MeasureUnit } from '../../quantity/measure'

/**
 * How what a pack leaves is told where that is no length. By a learned slope, packs are chosen in the thickness the figure is worth,
 * and told as the figure; before there is one, only which way to go can be told.
 */
export type Told =
  | {
      readonly by: 'slope'
      readonly unit: MeasureUnit
      /** small units of the figure in one nm of thickness */
      readonly per: number
    }
  | { readonly by: 'direction' }

/** A figure of a choice in small units of what it is of. */
export const toldValue = (value: number, told: Told | undefined): number => (told?.by === 'slope' ? value * told.per : value)

/** A figure of a choice as text; empty where only the way can be told. */
export function toldText(value: number, told: Told | undefined, unit: LengthUnit, options: FormatOptions = {}): string {
  if (told?.by === 'direction') return ''
  return told ? formatFigure(value * told.per, told.unit, options) : formatFigure(value, unit, options)
}

export const NOTHING_THAT_WAY = 'The drawer has nothing that would move it that way.'
