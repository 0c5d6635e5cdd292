import { formatLength } from '../quantity/format-length'
import { parseLength } from '../quantity/parse-length'
import { UNIT_NAME, nm, type LengthUnit, type Nm } from '../quantity/length'

import { isColour, SHAPES, unitMade, type Lot, type PieceShape } from './lot'

/** A piece as it was named: a size of the drawer, or a thickness with what tells it apart from one as thick. */
export interface NamedPiece {
  readonly lotId?: string
  readonly size?: Nm
  readonly shape?: PieceShape
  readonly mark?: string
  readonly colour?: string
  readonly count: number
}
/** One way an entry can be read, and the text that says so without doubt. */
export interface PackReading {
  readonly label: string
  readonly text: string
}
export type PackEntry =
  | { readonly ok: true; readonly pieces: readonly NamedPiece[] }
  | { readonly ok: false; readonly reason: string; readonly choices?: readonly PackReading[] }

const ALIKE = ['lotId', 'size', 'shape', 'mark', 'colour'] as const
/** More of one size are not in one pack. */
const MOST_OF_A_SIZE = 12
const NONE = /^(none|nothing|empty|no pieces|no shims|0)$/i
const LONGEST_LIST = 1_000
const refuse = (reason: string, choices?: readonly PackReading[]): PackEntry => ({ ok: false, reason, ...(choices ? { choices } : {}) })

/**
 * A pack as it is read out at the bench: `10, 8, 2 x 3`, `2 2 5 10`, `Q`, `red`, `0.25 mm`, `0.001 under`, `none`; a size the drawer lacks with
 * the shape, colour or letter of the kit's list: `32 stepped`, `red 0.5`, `A 1.05`. Pieces are parted by blanks, commas, semicolons or a plus. What can be read two ways asks.
 * @param lots  of the drawer: their marks, colours and sizes are understood
 * @param unit  what a bare figure means
 */
export function readPack(text: string, unit: LengthUnit, lots: readonly Lot[]): PackEntry {
  if (text.length > LONGEST_LIST) return refuse('That is too long for a pack.')
  if (NONE.test(text.trim())) return { ok: true, pieces: [] }
  const words = text
    .split(/[;+\n]|,(?=\s)|,\s*$/)
    .map(word => word.trim())
    .filter(Boolean)
    .flatMap(word => partedByBlanks(word, lots))
  if (words.length === 0) return refuse('List the pieces: 10, 8, 2 x 3. Nothing in it: none.')
  const pieces: NamedPiece[] = []
  for (const [i, word] of words.entries()) {
    const read = readPiece(word, unit, lots)
    if (!read.ok)
      return refuse(
        read.reason,
        read.choices?.map(choice => ({ ...choice, text: words.with(i, choice.text).join(' + ') })),
      )
    for (const piece of read.pieces) {
      const at = pieces.findIndex(other => ALIKE.every(of => other[of] === piece[of]))
      if (at === -1) pieces.push(piece)
      else pieces[at] = { ...piece, count: pieces[at]!.count + piece.count }
    }
  }
  return { ok: true, pieces }
}

const LENGTH_UNIT = /^(mm|µm|um|thou|th|in|"|″|inch|inches|tenths?)$/i
const TIMES = /^(x|×|\*|of)$/i
/** What says more of the figure before it: its unit, how many of it, of what shape. */
const OF_THE_LAST = /^(flat|stepped|sprung|under|u\/s|undersize|[x×*]\d*)$/i

/** Pieces with nothing but blanks between them: what says more of a figure stays with it. */
function partedByBlanks(word: string, lots: readonly Lot[]): readonly string[] {
  if (!/\s/.test(word) || named(word, lots).length > 0) return [word]
  const parted: string[] = []
  for (const token of word.split(/\s+/)) {
    const before = parted.at(-1)
    if (before !== undefined && (belongsTo(before, token) || isNameOf(before, token, lots)))
      parted[parted.length - 1] = `${before} ${token}`
    else parted.push(token)
  }
  return parted
}
function belongsTo(before: string, token: string): boolean {
  const last = before.split(' ').at(-1)!
  if (TIMES.test(token) || TIMES.test(last) || /\d[x×*]$/i.test(last)) return true
  if (OF_THE_LAST.test(token) || LENGTH_UNIT.test(token) || (/^\d+\/\d+$/.test(token) && /^\d+$/.test(last))) return true
  // A word beside a figure says which of that size.
  return /^[^\p{L}]*\d/u.test(before) && /^\p{L}/u.test(token)
}

/** A letter or a colour tells pieces apart. */
export const isPieceName = (word: string): boolean => isColour(word) || /^\p{L}\d?$/u.test(word)
/** `A 1.05`: what no size goes by, or the size that goes by it, names the figure behind it. */
function isNameOf(name: string, figure: string, lots: readonly Lot[]): boolean {
  if (!isPieceName(name) || !/^[\d.]/.test(figure)) return false
  const known = named(name, lots)
  return known.length === 0 || (lots[0] !== undefined && known.some(lot => sized(figure, unitMade(lots) ?? 'mm', lots).includes(lot)))
}

/** Figures with commas and no blanks between them; null: there are none. A comma may be a decimal point. */
function partedByCommas(word: string, unit: LengthUnit, lots: readonly Lot[]): PackEntry | null {
  if (!/^\d+(,\d+)+$/.test(word)) return null
  const parts = word.split(',')
  const pieces = parts.join(' + ')
  if (parts.length === 2) {
    const [whole, rest] = parts
    if (unit === 'mm' && whole === '0') return null
    return refuse(`${word}: one piece, or two?`, [
      { label: `${whole}.${rest} ${UNIT_NAME[unit]}`, text: `${whole}.${rest}` },
      { label: `${whole} and ${rest}`, text: pieces },
    ])
  }
  // Several in a row are a list; in millimetres every second comma may be a point.
  if (unit !== 'mm' || parts.length % 2 === 1) return readPack(pieces, unit, lots)
  const pairs = parts.flatMap((whole, i) => (i % 2 === 0 ? [`${whole}.${parts[i + 1]}`] : []))
  if (parts.some((part, i) => i % 2 === 0 && Number(part) === 0)) return readPack(pairs.join(' + '), unit, lots)
  return refuse(`${word}: ${pairs.length} pieces, or ${parts.length}?`, [
    { label: `${pairs.join(' and ')} ${UNIT_NAME[unit]}`, text: pairs.join(' + ') },
    { label: parts.join(' and '), text: pieces },
  ])
}

function readPiece(word: string, unit: LengthUnit, lots: readonly Lot[]): PackEntry {
  const list = partedByCommas(word, unit, lots)
  if (list) return list
  const many = /^(.+?)\s*(?:[x×*]|\bof\b)\s*(.+)$/i.exec(word)
  if (!many || named(word, lots).length > 0) return readOne(word, 1, unit, lots)
  const [, first = '', second = ''] = many
  const count = (text: string) => (/^\d{1,2}$/.test(text) && Number(text) > 0 ? Number(text) : null)
  const [a, b] = [count(first), count(second)]
  if (a === null && b === null) return refuse(`${word}: how many?`)
  if (a === null) return readOne(first, b!, unit, lots)
  if (b === null) return readOne(second, a, unit, lots)
  // Both could be the count: the drawer may tell.
  const plausible = [
    { count: a, size: second },
    { count: b, size: first },
  ].filter(way => way.count <= MOST_OF_A_SIZE && (lots.length === 0 || sized(way.size, unit, lots).length > 0))
  if (plausible.length === 1) return readOne(plausible[0]!.size, plausible[0]!.count, unit, lots)
  if (a === b) return readOne(second, a, unit, lots)
  const times = (size: string, many: number) => Array<string>(many).fill(size).join(' + ')
  return refuse(`${word}: how many of what?`, [
    { label: `${a} pieces of ${second}`, text: times(second, a) },
    { label: `${b} ${b === 1 ? 'piece' : 'pieces'} of ${first}`, text: times(first, b) },
  ])
}

/** Lots that go by this mark or colour. */
const named = (word: string, lots: readonly Lot[]): Lot[] =>
  lots.filter(({ mark, colour }) => [mark, colour].some(name => name !== '' && name.toLowerCase() === word.toLowerCase()))
/** What a piece is told apart by from one as thick: its mark, its colour, a word on its bag. */
const nameOf = ({ mark, colour, tags }: Lot): string => mark || colour || (tags.find(tag => /^[\p{L}-]+$/u.test(tag)) ?? '')
/** How one is called that has none. */
const PLAIN = 'plain'
const goesBy = (lot: Lot, word: string): boolean =>
  word === PLAIN
    ? nameOf(lot) === ''
    : [lot.mark, lot.colour, ...lot.tags].some(name => name !== '' && name.toLowerCase() === word.toLowerCase())
const sized = (word: string, unit: LengthUnit, lots: readonly Lot[]): Lot[] => {
  const entry = parseLength(word, unit)
  return entry.ok ? lots.filter(({ nominal, measured }) => nominal === entry.value || measured === entry.value) : []
}

function readOne(word: string, count: number, unit: LengthUnit, lots: readonly Lot[]): PackEntry {
  const known = named(word, lots)
  const name = (lot: Lot) => formatLength(lot.nominal, unit, { unit: true, trim: true })
  if (known.length === 1) return { ok: true, pieces: [{ lotId: known[0]!.id, count }] }
  if (known.length > 1)
    return refuse(
      `${word}: ${known.length} sizes go by that.`,
      known.map(lot => ({ label: name(lot), text: name(lot) })),
    )
  const under = /^(.+?)\s+(?:under|u\/s|undersize)$/i.exec(word)
  if (under) return ofGrade(under[1]!, count, unit, lots)
  // “A 1.05” is “1.05 A”.
  const [, before, behind] = /^(\S+) (.+)$/.exec(word) ?? []
  const [, figure, by] =
    before !== undefined && isNameOf(before, behind!, lots) ? [word, behind, before] : (/^(.*\d.*?)\s+([\p{L}-]+)$/u.exec(word) ?? [])
  if (figure !== undefined && by !== undefined) {
    const meant = sized(figure, unit, lots).filter(lot => !lot.apart && goesBy(lot, by))
    if (meant.length === 1) return { ok: true, pieces: [{ lotId: meant[0]!.id, count }] }
    // Another size goes by that name: a slip of the size, or two pieces.
    if (meant.length === 0 && named(by, lots).length > 0)
      return refuse(`${word}: the ${by} is of another size.`, [{ label: `${figure} and ${by}`, text: `${figure} + ${by}` }])
    const thick = parseLength(figure, unit)
    if (meant.length === 0 && thick.ok && thick.value > 0 && isPieceName(by) && !parseLength(word, unit).ok)
      return { ok: true, pieces: [{ size: thick.value, ...(isColour(by) ? { colour: by.toLowerCase() } : { mark: by }), count }] }
  }
  const [, size = word, shape] = /^(.+?)\s+(flat|stepped|sprung)$/i.exec(word) ?? []
  const entry = parseLength(size, unit)
  if (!entry.ok && /^[a-z]+$/i.test(word))
    return refuse(`“${word}” says which, not how thick, and no size of the drawer goes by that: measure it, and type the figure.`)
  if (!entry.ok) return refuse(`${word}: ${entry.reason}`)
  if (entry.value <= 0) return refuse(`${word}: a piece is thicker than nothing.`)
  const alike = sized(size, unit, lots).filter(lot => !lot.apart)
  if (shape) {
    const lot = alike.find(candidate => candidate.shape === shape.toLowerCase())
    if (lot) return { ok: true, pieces: [{ lotId: lot.id, count }] }
    const apart = sized(size, unit, lots).find(({ shape: of, mark }) => of === shape.toLowerCase() && mark !== '')
    if (apart) return refuse(`${word}: the one in the drawer lies apart: name it ${apart.mark}.`)
    return { ok: true, pieces: [{ size: entry.value, shape: shape.toLowerCase() as PieceShape, count }] }
  }
  const shapes = SHAPES.filter(each => alike.some(lot => lot.shape === each))
  if (shapes.length > 1)
    return refuse(
      `${word}: ${shapes.join(' or ')}?`,
      shapes.map(each => ({ label: `${word} ${each}`, text: `${word} ${each}` })),
    )
  // Two as thick, of bronze and of plastic: which is not for the drawer to say.
  const names = new Set(alike.map(nameOf))
  if (alike.length > 1 && names.size === alike.length)
    return refuse(
      `${word}: which of ${alike.length}?`,
      alike.map(lot => ({ label: `${word} ${nameOf(lot) || PLAIN}`, text: `${word} ${nameOf(lot) || PLAIN}` })),
    )
  return { ok: true, pieces: [{ size: entry.value, count }] }
}

/** Grades are spoken: one tenth, ten, twenty under. */
const SPOKEN: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, five: 5, ten: 10, twenty: 20, thirty: 30, forty: 40 }

/** A shell of a grade under, on the diameter: half of it on its wall. */
function ofGrade(spoken: string, count: number, unit: LengthUnit, lots: readonly Lot[]): PackEntry {
  const text = spoken.replace(/^[a-z]+/i, word => String(SPOKEN[word.toLowerCase()] ?? word))
  // Grades are printed in inches: 0.001 under is a thou.
  const grade = parseLength(text, /^[.0]/.test(text.trim()) && unit !== 'mm' ? 'in' : unit)
  if (!grade.ok) return refuse(`${text} under: ${grade.reason}`)
  const standard = lots.find(({ mark, colour }) => /^(std|standard)$/i.test(mark || colour))
  if (!standard) return refuse(`${text} under what? Mark the standard size STD in the drawer, or give the wall.`)
  const size = nm(standard.nominal + Math.round(grade.value / 2))
  const lot = lots.find(({ nominal }) => Math.abs(nominal - size) < 100)
  return { ok: true, pieces: [lot ? { lotId: lot.id, count } : { size, count }] }
}

/**
 * Thicknesses the drawer does not know, but two of its sizes, or of those listed with it, together make: they may be stuck together.
 * @returns for each, the pair, the thicker first
 */
export function stuckPairs(pieces: readonly NamedPiece[], lots: readonly Lot[]): { readonly size: Nm; readonly pair: readonly [Nm, Nm] }[] {
  const thick = (id: string | undefined) => lots.find(lot => lot.id === id)?.nominal
  const listed = pieces.flatMap(({ lotId, size }) => size ?? thick(lotId) ?? [])
  const sizes = [...new Set([...lots.map(({ nominal }) => nominal), ...listed])].sort((a, b) => b - a)
  const known = (size: Nm) => lots.some(({ nominal, measured }) => nominal === size || measured === size)
  // Several alike are a size of their own.
  const alone = (size: Nm) => !known(size) && pieces.every(piece => piece.size !== size || piece.count === 1)
  // From the thinnest up: what is a sum itself is no part of another.
  const pairs = new Map<Nm, readonly [Nm, Nm]>()
  const parts: Nm[] = []
  for (const size of [...sizes].reverse()) {
    const thicker = alone(size) ? parts.find(one => 2 * one >= size && parts.includes(nm(size - one))) : undefined
    if (thicker === undefined) parts.unshift(size)
    else pairs.set(size, [thicker, nm(size - thicker)])
  }
  return pieces.flatMap(({ size }) => {
    const pair = size === undefined ? undefined : pairs.get(size)
    return pair ? [{ size: size!, pair }] : []
  })
}
