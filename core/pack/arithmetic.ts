import { formatLength, pieceDecimals, pieceText } from '../quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '../quantity/length'
import { lotOf, packChange, thickness, type Lot, type LotMap, type Pack } from './lot'
import type { Response } from './response'

/** What a piece is found by in the drawer: its mark, else its colour. */
const nameOf = ({ mark, colour }: Lot): string => mark || colour

const thickestFirst = (pack: Pack, lots: LotMap): { lot: Lot; count: number }[] =>
  pack.map(({ lotId, count }) => ({ lot: lotOf(lots, lotId), count })).sort((a, b) => thickness(b.lot) - thickness(a.lot))

/** Pieces for the hand, thickest first, with the mark or colour they go by: `10 + 10 + 6`, `5.35 (R)`, `2 × 1.49 (STD)`. */
export const pieceList = (pack: Pack, lots: LotMap, unit: LengthUnit): string =>
  thickestFirst(pack, lots)
    .flatMap(({ lot, count }) => {
      const size = pieceText(thickness(lot), unit)
      if (!nameOf(lot)) return Array<string>(count).fill(size)
      return [`${count > 1 ? `${count} × ` : ''}${size} (${nameOf(lot)})`]
    })
    .join(' + ')

/** Digits more than usual at most, for a sum whose roundings do not add up with fewer. */
const MORE_DIGITS = 4

/** The whole sum in one line a person can follow to its last digit: `31.0 − (10 + 10 + 5 + 2) = 4.0 thou`. */
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
  const sizes = (pack: Pack) => thickestFirst(pack, lots).flatMap(({ lot, count }) => Array<number>(count).fill(thickness(lot)))
  const terms = [
    { sign: -response.perPiece, sizes: sizes(change.out) },
    { sign: response.perPiece, sizes: sizes(change.in) },
  ].filter(term => term.sizes.length > 0)
  // As fine as the finest piece; finer where what is rounded would not come to the sum: 0.229 + 0.152 is 0.381, of 9.02 + 6.02 thou it is 0.382.
  const usual = pieceDecimals(
    terms.flatMap(term => term.sizes),
    unit,
  )
  const printed = Array.from({ length: MORE_DIGITS + 1 }, (_, more) => printedWith(usual + more))
  const { line } = printed.find(({ addsUp }) => addsUp) ?? printed.at(-1)!
  return `${line} ${UNIT_NAME[unit]}`

  function printedWith(decimals: number): { readonly line: string; readonly addsUp: boolean } {
    const figure = (value: number) => formatLength(value, unit, { decimals })
    const size = (value: number) => (decimals === usual ? pieceText(value, unit) : formatLength(value, unit, { decimals, trim: true }))
    const listed = terms.map(term => ({ sign: term.sign, texts: term.sizes.map(size) }))
    const words = listed.map(({ sign, texts }) => ` ${sign > 0 ? '+' : '−'} ${texts.length > 1 ? `(${texts.join(' + ')})` : texts[0]}`)
    const sum = listed.reduce(
      (total, { sign, texts }) => texts.reduce((own, text) => own + sign * steps(text, decimals), total),
      steps(figure(play), decimals),
    )
    const addsUp = sum === steps(figure(predicted), decimals)
    // So fine that no rounding is seen any more: what is left of it goes into the last digit.
    const result = addsUp || decimals < usual + MORE_DIGITS ? figure(predicted) : (sum / 10 ** decimals).toFixed(decimals).replace('-', '−')
    return { line: `${figure(play)}${words.join('')} = ${result}`, addsUp }
  }
}

/** A printed figure in steps of its last decimal. */
const steps = (text: string, decimals: number): number => Math.round(Number(text.replace('−', '-')) * 10 ** decimals)

/** What to do with the hands: `Take out 10 + 6, put in 2`, `Take out 5.33 (C), put in 5.35 (R)`, `Leave the pack as it is`. */
export function changeWords(fitted: Pack, next: Pack, lots: LotMap, unit: LengthUnit): string {
  const { out, in: put } = packChange(fitted, next)
  if (out.length === 0 && put.length === 0) return 'Leave the pack as it is'
  if (out.length === 0) return `Put in ${pieceList(put, lots, unit)}`
  if (put.length === 0) return `Take out ${pieceList(out, lots, unit)}`
  return `Take out ${pieceList(out, lots, unit)}, put in ${pieceList(put, lots, unit)}`
}
