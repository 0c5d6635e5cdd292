import { parseLength } from '../quantity/parse-length'
import type { LengthUnit, Nm } from '../quantity/length'
import { isColour, type Shape } from './lot'

/** A size of a kit as its leaflet or its box lists it: nominal until somebody measures it. */
export interface KitSize {
  readonly nominal: Nm
  /** 0: it can be had, and there is none here */
  readonly count: number
  readonly mark: string
  readonly colour: string
  readonly shape: Shape
  /** diameters of a washer: `inside 30.2 outside 42` */
  readonly inside?: Nm
  readonly outside?: Nm
}
export interface KitFault {
  /** counted from 1 */
  readonly line: number
  readonly reason: string
}
export interface Kit {
  readonly sizes: readonly KitSize[]
  readonly faults: readonly KitFault[]
}

const SHAPE_WORDS: Readonly<Record<string, Shape>> = {
  flat: 'flat',
  stepped: 'stepped',
  sprung: 'sprung',
  sheet: 'sheet',
  packing: 'packing',
}
const UNIT = /^(mm|µm|um|thou|th|in|"|″|inch|inches|tenths?)$/i
/** So many sizes are one kit. */
const MOST = 200

/**
 * A kit typed or pasted as a small table, a size a line: `red 0.50 mm 2`, `A  1.05`, `32 stepped`, `16 x 3`,
 * `1.0 inside 30.2 outside 42`. Cells are parted by tabs,
 * semicolons or spaces; a first line without figures is a heading. A mark or a colour names one size.
 * @param unit  what a bare size means
 * @example readKit('10 x2', 'thou') // { faults: [], sizes: [{ nominal: thou(10), count: 2 }] }
 */
export function readKit(text: string, unit: LengthUnit): Kit {
  const lines = text.split(/\r?\n/).map((words, i) => ({ words: words.trim(), line: i + 1 }))
  const filled = lines.filter(({ words }) => words !== '')
  const rows = isHeading(filled[0]?.words ?? '') ? filled.slice(1) : filled
  if (rows.length > MOST) return { sizes: [], faults: [{ line: 1, reason: `A kit has at most ${MOST} sizes.` }] }
  const sizes: KitSize[] = []
  const faults: KitFault[] = []
  const named = new Map<string, number>()
  for (const { words, line } of rows) {
    const read = readLine(words, unit)
    if (typeof read === 'string') {
      faults.push({ line, reason: read })
      continue
    }
    const name = [read.mark, read.colour].filter(Boolean).join(' ').toLowerCase()
    if (name !== '' && named.has(name)) faults.push({ line, reason: `“${name}” is in line ${named.get(name)} already: which is it?` })
    if (name !== '') named.set(name, named.get(name) ?? line)
    sizes.push(read)
  }
  return { sizes, faults }
}

/** Several words without a figure, or what pieces are called; one word alone is a mark whose size is missing. */
const isHeading = (words: string): boolean =>
  !/\d/.test(words) &&
  (/[\s;|]/.test(words) || /^(sizes?|thickness|nominal|kit|shims?|rings?|races?|washers?|spacers?|pieces?)?$/i.test(words))

function readLine(words: string, unit: LengthUnit): KitSize | string {
  const tokens = joined(words.split(/[\t;|]+|\s+/).filter(Boolean))
  let nominal: Nm | null = null
  let count: number | null = null
  let shape: Shape = 'flat'
  const marks: string[] = []
  let colour = ''
  const diameters: { inside?: Nm; outside?: Nm } = {}
  for (const token of tokens) {
    const lower = token.toLowerCase()
    const times = /^(?:[x×*](\d{1,3})|(\d{1,3})[x×*])$/.exec(lower)
    const bare = /^[\d.,/½¼¾]/.test(token)
    const diameter = /^(inside|outside|id|od) (.+)$/.exec(lower)
    if (diameter) {
      const entry = parseLength(diameter[2]!, unit)
      if (!entry.ok) return `${token}: ${entry.reason}`
      diameters[diameter[1]!.startsWith('i') ? 'inside' : 'outside'] = entry.value
    } else if (times) count = Number(times[1] ?? times[2])
    else if (lower in SHAPE_WORDS) shape = SHAPE_WORDS[lower]!
    else if (bare && nominal === null) {
      const entry = parseLength(token, unit)
      if (!entry.ok) return `${token}: ${entry.reason}`
      nominal = entry.value
    } else if (bare && /^\d{1,3}$/.test(token) && count === null) count = Number(token)
    else if (bare) return `${token}: there is a size already.`
    else if (isColour(lower) && colour === '') colour = lower
    else marks.push(token)
  }
  if (nominal === null)
    return marks.length + colour.length > 0
      ? `“${[...marks, colour].filter(Boolean).join(' ')}” says which, not how thick: measure it, and write the figure beside it.`
      : 'No size in this line.'
  if (nominal <= 0) return 'A piece is thicker than nothing.'
  if ((diameters.inside ?? 0) >= (diameters.outside ?? Infinity)) return 'The hole is smaller than the rim: inside below outside.'
  const mark = marks.join(' ')
  if (mark.length > 20) return 'A mark has up to 20 letters.'
  return { nominal, count: count ?? 1, mark, colour, shape, ...diameters }
}

/** A figure and its unit, or a cross and its count, that stand apart. */
function joined(tokens: readonly string[]): string[] {
  const whole: string[] = []
  for (const token of tokens) {
    const last = whole.at(-1)
    const wants = last !== undefined && /^(inside|outside|id|od)$/i.test(last)
    if (wants && /^[\d.,]/.test(token)) whole[whole.length - 1] = `${last} ${token}`
    else if (last !== undefined && UNIT.test(token) && /^((inside|outside|id|od) )?[\d.,/½¼¾]/i.test(last))
      whole[whole.length - 1] = `${last} ${token}`
    else if (last !== undefined && /^[x×*]$/i.test(last) && /^\d{1,3}$/.test(token)) whole[whole.length - 1] = last + token
    else whole.push(token)
  }
  return whole
}
