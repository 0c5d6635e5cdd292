import type { Sheet } from '#core/label/sheets'

/** Points of a millimetre. */
export const POINTS = 72 / 25.4
/** Nothing is printed nearer the edge of a label, millimetres. */
export const MARGIN = 2.5
/** Side of the code, millimetres: no smaller than a scanner reads. */
export const codeSide = ({ width, height }: Sheet): number => Math.min(22, height - 2 * MARGIN, width / 3)

/** The room for the text beside the code, points. */
export const boxFor = (sheet: Sheet): { readonly width: number; readonly height: number } => ({
  width: (sheet.width - codeSide(sheet) - 3 * MARGIN) * POINTS,
  height: (sheet.height - 2 * MARGIN) * POINTS,
})
