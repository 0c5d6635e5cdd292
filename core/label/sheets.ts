/** Labels on a sheet, or one by one from a roll. Millimetres. */
export interface Sheet {
  readonly id: string
  readonly words: string
  readonly paper: readonly [width: number, height: number]
  readonly columns: number
  readonly rows: number
  /** of the first label’s corner */
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
  readonly gap: readonly [across: number, down: number]
}

/** By their sizes, as they are sold everywhere (common practice). */
export const SHEETS: readonly Sheet[] = [
  {
    id: 'a4-24',
    words: 'A4 sheet, 3 × 8 of 70 × 37 mm',
    paper: [210, 297],
    columns: 3,
    rows: 8,
    left: 0,
    top: 0.5,
    width: 70,
    height: 37,
    gap: [0, 0],
  },
  {
    id: 'a4-14',
    words: 'A4 sheet, 2 × 7 of 99.1 × 38.1 mm',
    paper: [210, 297],
    columns: 2,
    rows: 7,
    left: 4.65,
    top: 15.15,
    width: 99.1,
    height: 38.1,
    gap: [2.5, 0],
  },
  {
    id: 'letter-30',
    words: 'Letter sheet, 3 × 10 of 2⅝ × 1 in',
    paper: [215.9, 279.4],
    columns: 3,
    rows: 10,
    left: 4.76,
    top: 12.7,
    width: 66.68,
    height: 25.4,
    gap: [3.18, 0],
  },
  { id: 'roll-62', words: 'Single, 62 × 29 mm', paper: [62, 29], columns: 1, rows: 1, left: 0, top: 0, width: 62, height: 29, gap: [0, 0] },
  { id: 'roll-89', words: 'Single, 89 × 36 mm', paper: [89, 36], columns: 1, rows: 1, left: 0, top: 0, width: 89, height: 36, gap: [0, 0] },
]

/** Where a label lies: its page, and the millimetres of its corner. @param place  counted from 0, over all pages */
export function placeOn(sheet: Sheet, place: number): { readonly page: number; readonly x: number; readonly y: number } {
  const each = sheet.columns * sheet.rows
  const on = place % each
  return {
    page: Math.floor(place / each),
    x: sheet.left + (on % sheet.columns) * (sheet.width + sheet.gap[0]),
    y: sheet.top + Math.floor(on / sheet.columns) * (sheet.height + sheet.gap[1]),
  }
}
