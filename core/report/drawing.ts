import { exact, formatFigure, type Unit } from '../quantity/figure'
import { limitFigure } from '../verdict/limits'

/** A drawing of lines and words that stands by itself, as SVG; it scales without loss on page and paper. Points */
export interface Drawing {
  readonly svg: string
  readonly width: number
  readonly height: number
  /** what it shows, for who cannot see it */
  readonly label: string
}

/** A figure in small units with its expanded uncertainty. */
interface Figure {
  readonly value: number
  readonly U: number
}

const INK = '#1b2420'
const MUTE = '#5c665f'
const BAND = '#d5e4dc'
const EDGE = '#2f6f58'
/** The face of the paper comes first; a page has others. */
const FACE = 'font-family="Report, Inter, sans-serif"'
const WIDTH = 500
const LEFT = 70
const RIGHT = 430
/** Room for what it is of. */
const HEAD = 12

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')
/** Two decimals are finer than any printer. */
const at = (position: number) => String(Math.round(position * 100) / 100)
const words = (x: number, y: number, text: string, more = '') =>
  `<text x="${at(x)}" y="${at(y)}" ${FACE} font-size="8" fill="${MUTE}" ${more}>${escaped(text)}</text>`
const svgOf = (height: number, body: readonly string[]) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}">${body.join('')}</svg>`

/**
 * Where a figure lies in its limits, to scale: as found, and as it is now, each with its U. Tight is left, loose is right.
 * @returns null where there is nothing to draw it in
 */
export function bandDrawing({
  name,
  unit,
  ends,
  lower,
  upper,
  found,
  now,
}: {
  readonly name: string
  readonly unit: Unit
  /** what it is called below and above its limits: Tight, Loose */
  readonly ends: { readonly below: string; readonly above: string }
  /** small units; null: open */
  readonly lower: number | null
  readonly upper: number | null
  /** null: it was not measured before, or nothing was changed */
  readonly found: Figure | null
  readonly now: Figure
}): Drawing | null {
  if (lower === null && upper === null) return null
  const all = [lower, upper, now.value - now.U, now.value + now.U, ...(found ? [found.value - found.U, found.value + found.U] : [])].filter(
    value => value !== null,
  )
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const room = (high - low || 1) * 0.12
  const x = (value: number) => LEFT + ((value - low + room) / (high - low + 2 * room)) * (RIGHT - LEFT)
  const figure = (value: number) => limitFigure(exact(value), unit)
  const [from, to] = [lower === null ? LEFT : x(lower), upper === null ? RIGHT : x(upper)]
  const rows = [...(found ? [{ ...found, words: 'as found', filled: false }] : []), { ...now, words: found ? 'now' : 'read', filled: true }]
  const height = HEAD + 30 + rows.length * 16
  const floor = height - 16
  const body = [
    words(LEFT, 9, name),
    `<rect x="${at(from)}" y="${HEAD + 4}" width="${at(to - from)}" height="${at(floor - HEAD - 4)}" fill="${BAND}"/>`,
    `<line x1="${LEFT}" x2="${RIGHT}" y1="${at(floor)}" y2="${at(floor)}" stroke="${MUTE}" stroke-width="0.6"/>`,
    ...[lower, upper].flatMap(end =>
      end === null
        ? []
        : [
            `<line x1="${at(x(end))}" x2="${at(x(end))}" y1="${HEAD + 4}" y2="${at(floor + 3)}" stroke="${EDGE}" stroke-width="1"/>`,
            words(x(end), floor + 12, figure(end), 'text-anchor="middle"'),
          ],
    ),
    words(LEFT - 6, floor + 3, ends.below.toLowerCase(), 'text-anchor="end"'),
    words(RIGHT + 6, floor + 3, ends.above.toLowerCase()),
    ...rows.flatMap((row, i) => {
      const y = HEAD + 16 + i * 16
      return [
        `<line x1="${at(x(row.value - row.U))}" x2="${at(x(row.value + row.U))}" y1="${y}" y2="${y}" stroke="${INK}" stroke-width="1"/>`,
        `<circle cx="${at(x(row.value))}" cy="${y}" r="3.4" fill="${row.filled ? INK : '#ffffff'}" stroke="${INK}" stroke-width="1.2"/>`,
        words(LEFT - 6, y + 3, row.words, 'text-anchor="end"'),
        words(RIGHT + 6, y + 3, formatFigure(row.value, unit, { unit: true })),
      ]
    }),
  ]
  const said = rows.map(row => `${row.words} ${formatFigure(row.value, unit, { unit: true })}`).join(', ')
  return { svg: svgOf(height, body), width: WIDTH, height, label: `${name} in its limits: ${said}` }
}

/** A piece of a stack, nm. */
interface Piece {
  readonly thickness: number
  /** as it is written: `10`, `0.50 mm` */
  readonly words: string
}
const STACK_HEIGHT = 70
const STACK_WIDTH = 74
const LEAST_PIECE = 3

/** Packs in stacking order, one beside the other, their pieces to one scale but for the thinnest; null: none is known. */
export function stackDrawing(stacks: readonly { readonly label: string; readonly pieces: readonly Piece[] }[]): Drawing | null {
  const known = stacks.filter(({ pieces }) => pieces.length > 0).slice(0, 5)
  if (known.length === 0) return null
  const tallest = Math.max(...known.map(({ pieces }) => pieces.reduce((sum, { thickness }) => sum + thickness, 0)))
  const tall = (thickness: number) => Math.max(LEAST_PIECE, (thickness / tallest) * STACK_HEIGHT)
  const most = Math.max(...known.map(({ pieces }) => pieces.reduce((sum, { thickness }) => sum + tall(thickness), 0)))
  const height = Math.ceil(most) + 24
  const body = known.flatMap(({ label, pieces }, i) => {
    const left = 8 + i * ((WIDTH - 8) / 5)
    let y = 4 + most - pieces.reduce((sum, { thickness }) => sum + tall(thickness), 0)
    return [
      ...pieces.flatMap(({ thickness, words: size }) => {
        const top = y
        y += tall(thickness)
        return [
          `<rect x="${at(left)}" y="${at(top)}" width="${STACK_WIDTH - 30}" height="${at(tall(thickness))}" fill="#e9dcb8" stroke="${INK}" stroke-width="0.6"/>`,
          ...(tall(thickness) >= 7 ? [words(left + STACK_WIDTH - 26, top + tall(thickness) / 2 + 3, size)] : []),
        ]
      }),
      words(left, most + 16, label.length > 22 ? `${label.slice(0, 21)}…` : label),
    ]
  })
  const said = known.map(({ label, pieces }) => `${label}: ${pieces.map(({ words: size }) => size).join(', ')}`).join('; ')
  return { svg: svgOf(height, body), width: WIDTH, height, label: `Packs in stacking order. ${said}` }
}
