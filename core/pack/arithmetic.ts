import { formatLength, pieceDecimals, pieceText } from '../quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '../quantity/length'
import { lotOf, packChange, thickness, type Lot, type LotMap, type Pack } from './lot'
import type { Response } from './response'

const size = (lot: Lot, unit: LengthUnit): string => pieceText(thickness(lot), unit)
/** What a piece is found by in the drawer: its mark, else its colour. */
const nameOf = ({ mark, colour }: Lot): string => mark || colour

const thickestFirst = (pack: Pack, lots: LotMap): { lot: Lot; count: number }[] =>
  pack.map(({ lotId, count }) => ({ lot: lotOf(lots, lotId), count })).sort((a, b) => thickness(b.lot) - thickness(a.lot))

/** `10 + 10 + 6`, thickest first. */
const sizesOf = (pack: Pack, lots: LotMap, unit: LengthUnit): string =>
  thickestFirst(pack, lots)
    .flatMap(({ lot, count }) => Array<string>(count).fill(size(lot, unit)))
    .join(' + ')

/** Pieces for the hand, thickest first, with the mark or colour they go by: `10 + 10 + 6`, `5.35 (R)`, `2 × 1.49 (STD)`. */
export const pieceList = (pack: Pack, lots: LotMap, unit: LengthUnit): string =>
  thickestFirst(pack, lots)
    .flatMap(({ lot, count }) => {
      if (!nameOf(lot)) return Array<string>(count).fill(size(lot, unit))
      return [`${count > 1 ? `${count} × ` : ''}${size(lot, unit)} (${nameOf(lot)})`]
    })
    .join(' + ')

/** The whole sum in one line a person can follow: `31.0 − (10 + 10 + 5 + 2) = 4.0 thou`. */
export function arithmeticLine(
  play: number,
  fitted: Pack,
  next: Pack,
  predicted: number,
  lots: LotMap,
  response: Response,
  unit: LengthUnit,
): string {
  const change = packChange(fitted, next)
  const term = (pack: Pack, sign: number) => {
    if (pack.length === 0) return ''
    const listed = sizesOf(pack, lots, unit)
    return ` ${sign > 0 ? '+' : '−'} ${listed.includes('+') ? `(${listed})` : listed}`
  }
  const terms = term(change.out, -response.perPiece) + term(change.in, response.perPiece)
  // As fine as the finest piece, so that the sum can be followed to its last digit.
  const moved = [...change.out, ...change.in].map(({ lotId }) => thickness(lotOf(lots, lotId)))
  const figure = (value: number) => formatLength(value, unit, { decimals: pieceDecimals(moved, unit) })
  return `${figure(play)}${terms} = ${figure(predicted)} ${UNIT_NAME[unit]}`
}

/** What to do with the hands: `Take out 10 + 6, put in 2`, `Take out 5.33 (C), put in 5.35 (R)`, `Leave the pack as it is`. */
export function changeWords(fitted: Pack, next: Pack, lots: LotMap, unit: LengthUnit): string {
  const { out, in: put } = packChange(fitted, next)
  if (out.length === 0 && put.length === 0) return 'Leave the pack as it is'
  if (out.length === 0) return `Put in ${pieceList(put, lots, unit)}`
  if (put.length === 0) return `Take out ${pieceList(out, lots, unit)}`
  return `Take out ${pieceList(out, lots, unit)}, put in ${pieceList(put, lots, unit)}`
}
