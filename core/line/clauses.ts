import { isPieceName } from '../pack/read-pack'
import { LENGTH_SPELT, parseLength } from '../quantity/parse-length'
import { nm, type LengthUnit, type Nm } from '../quantity/length'
import type { LineAsk, LineLimits } from './line'
import { SMALL_WORDS } from './phrases'

const LONGEST = 400
const FIGURE = String.raw`(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:\s*\/\s*\d+)?`
const UNIT = String.raw`(?:${[...LENGTH_SPELT].sort((a, b) => b.length - a.length).join('|')})(?![\p{L}])`
const LENGTH = `(${FIGURE}(?:\\s*${UNIT})?)`
const RANGE = new RegExp(String.raw`(?<![\d.,\p{L}])${LENGTH}(?:-|\s-\s|\s*\.{2,3}\s*|\s+to\s+)${LENGTH}`, 'iu')
/** Going either way from nothing. */
const EITHER_WAY = new RegExp(String.raw`(?:±|\+\/-|within)\s*${LENGTH}`, 'iu')
const UPPER = new RegExp(
  String.raw`(?<!\p{L}|\bno\s|\bnot\s)(up to|at most|no more than|not over|max(?:imum)?|<=|≤|<|under|below|less than)\s*${LENGTH}`,
  'iu',
)
const LOWER = new RegExp(
  String.raw`(?<!\p{L}|\bno\s|\bnot\s)(at least|no less than|not under|min(?:imum)?|>=|≥|>|over|above|more than)\s*${LENGTH}`,
  'iu',
)
const ENDS_EXCLUDED = /^(<|>|under|below|less than|over|above|more than)$/i

/** Smallest divisions by name, nm. */
const DIVISIONS: readonly (readonly [RegExp, Nm])[] = [
  [/\btenths?\s+(?:dial|gauge|indicator|mic(?:rometer)?)\b/i, nm(2_540)],
  [/\bhalf[- ]thou\s+(?:dial|gauge|indicator)\b/i, nm(12_700)],
  [/\bthou\s+(?:dial|gauge|indicator)\b/i, nm(25_400)],
  [/(?<!\d)0?\.01\s*(?:mm\s+)?(?:dial|gauge|indicator)\b/i, nm(10_000)],
  [/(?<!\d)0?\.00[12]\s*(?:mm\s+)?(?:dial|gauge|indicator)\b/i, nm(2_000)],
]
const COUNTS: Readonly<Record<string, number>> = { once: 1, one: 1, twice: 2, two: 2, thrice: 3, three: 3, four: 4, five: 5 }
const TIMES_READ = /\b(?:(one|two|three|four|five|[1-9])\s+(?:readings?|times)|(once|twice|thrice)(?!\s+per|\s+a))\b/i
const SECTION =
  /^(?:(?:book|shop|maker’s)\s+(?=limits?))?(pack|fitted|in it|from|spare|drawer|limits?|book|spec)\b(?:[:=\s]+(?:of|is|are|has)\b)?[:=\s]*/i
/** A bare word that begins a section begins a clause too, wherever it stands. */
const BEGINS = /(?<!\bbook|\bshop|\bmaker’s)\s+(?=(?:pack|fitted|from|spare|limits?|book|spec)\s)/gi

/** A part of the line: words, and the figures behind them. */
export interface Segment {
  readonly words: readonly string[]
  readonly figures: readonly string[]
}

/** What is gathered while a line is gone through. */
export interface Gathered {
  segments: Segment[]
  pack: string[] | null
  spare: string[] | null
  limits: LineLimits | null
  graduation: Nm | null
  readings: number
  faults: string[]
  asks: LineAsk[]
}

const plain = (text: string): string =>
  text
    .replace(/[−–—]/g, '-')
    .replace(/[×*]/g, 'x')
    .replace(/…/g, '..')
    .replace(/[:|]|(?<![<>])=/g, ' ')
    .replace(/[ \t]+/g, ' ')
    .replace(/\bbetween (\S+(?: (?:mm|thou|in|µm))?) and /gi, '$1 - ')
    .trim()

/** The unit that is said for the whole line: a word of its own, or the only one that stands behind a figure. */
function unitOf(text: string, usual: LengthUnit): { unit: LengthUnit; said: boolean } {
  const behind = [...text.matchAll(new RegExp(String.raw`[\d½¼¾]\s*(${UNIT})`, 'giu'))]
  // “in” alone is more often a place than an inch.
  const alone = [...text.matchAll(/(?<![\p{L}\d]\s*)(mm|thou|inch|inches|microns?)(?!\p{L})/giu)]
  const spelt = [...behind, ...alone].flatMap(([, word]) => {
    const read = parseLength(`1 ${word}`, usual)
    return read.ok ? [read.unit] : []
  })
  // “tenths dial” and “thou dial” say how it was read.
  const kinds = new Set(spelt.map(unit => (unit === 'tenth' ? 'thou' : unit)))
  // “31, .002-.004 in”: thou written as inches say nothing of the 31.
  const inInches = [...text.matchAll(new RegExp(String.raw`(${FIGURE})\s*(?:in|inch|inches|"|″)(?!\p{L})`, 'giu'))]
  const fine = inInches.length > 0 && inInches.every(([, figure]) => Number(figure) < 0.1)
  if (kinds.size === 1 && kinds.has('in') && fine && /(?<![\d.,\p{L}])[1-9]\d*(?:\.\d+)?(?![\d.,\p{L}]*\s*\/)/u.test(text))
    return { unit: usual === 'mm' ? 'thou' : usual, said: false }
  return kinds.size === 1 ? { unit: [...kinds][0]!, said: true } : { unit: usual, said: false }
}

/** A line in its clauses, before anything is made of its words. */
export interface Parted {
  readonly gathered: Gathered
  /** what a bare figure means */
  readonly unit: LengthUnit
  readonly unitSaid: boolean
  /** as it is read: signs in one form */
  readonly line: string
}

/** @param usual  what a bare figure means where the line does not say */
export function partedLine(text: string, usual: LengthUnit): Parted {
  const clean = plain(text)
  const gathered: Gathered = {
    segments: [],
    pack: null,
    spare: null,
    limits: null,
    graduation: null,
    readings: 1,
    faults: [],
    asks: [],
  }
  if (clean.length > LONGEST)
    return { gathered: { ...gathered, faults: ['That is too long for a line.'] }, unit: usual, unitSaid: false, line: clean }
  const rest = toolsOf(clean, gathered)
  const { unit, said } = unitOf(rest, usual)
  let section: 'pack' | 'spare' | null = null
  // “12,2-4”: with a decimal comma it would be 12,2 to 4.
  const parted = unit === 'mm' ? rest : rest.replace(/(?<=\d),(?=[1-9]\d*(?:\.\d+)?-\d)/g, ', ')
  for (const clause of parted.replace(BEGINS, '; ').split(/[;\n]|,(?=\s)|,(?=\p{L})|,$/u)) {
    const words = clause.trim().replace(/,$/, '')
    if (words === '') continue
    const [begun, name] = SECTION.exec(words) ?? []
    const body = words.slice(begun?.length ?? 0).trim()
    switch (name?.toLowerCase()) {
      case 'pack':
      case 'fitted':
      case 'in it':
        section = 'pack'
        ;(gathered.pack ??= []).push(...(body === '' ? [] : [body]))
        break
      case 'from':
      case 'spare':
      case 'drawer':
        section = 'spare'
        ;(gathered.spare ??= []).push(...(body === '' ? [] : [body]))
        break
      case undefined:
        // Pieces go on behind a comma; a range is none.
        if (section !== null && isPiece(words)) (section === 'pack' ? gathered.pack! : gathered.spare!).push(words)
        else {
          section = null
          readClause(words, unit, gathered)
        }
        break
      default:
        section = null
        if (limitsIn(body, unit, gathered).trim() !== '' || !gathered.limits)
          gathered.faults.push(`“${words}”: limits are 2-4, up to 5, or at least 2.`)
    }
  }
  return { gathered, unit, unitSaid: said, line: clean }
}

/** What says how it was read, taken out of the line. */
function toolsOf(text: string, gathered: Gathered): string {
  let rest = text
  for (const [name, graduation] of DIVISIONS)
    if (gathered.graduation === null && name.test(rest)) {
      gathered.graduation = graduation
      rest = rest.replace(name, ' ')
    }
  const times = TIMES_READ.exec(rest)
  if (times) {
    const word = (times[1] ?? times[2])!.toLowerCase()
    gathered.readings = COUNTS[word] ?? Number(word)
    rest = rest.replace(times[0], ' ')
  }
  return rest
}

const isPiece = (words: string): boolean =>
  isPieceName(words) || (/\d|½|¼/.test(words) && !RANGE.test(words) && !UPPER.test(words) && !LOWER.test(words))

/** Limits in a clause are taken out of it. @returns what is left */
function limitsIn(clause: string, unit: LengthUnit, gathered: Gathered): string {
  const size = (text: string) => {
    const read = parseLength(text, unit)
    return read.ok ? read.value : null
  }
  const kept = gathered.limits ?? { lower: null, lowerExcluded: false, upper: null, upperExcluded: false }
  const range = RANGE.exec(clause)
  if (range) {
    // “0.6-1.2 mm”: the unit stands behind the second and is of both.
    const [low, high] = [size(withUnitOf(range[1]!, range[2]!)), size(range[2]!)]
    if (low !== null && high !== null) {
      if (low > high) gathered.faults.push(`“${range[0]}”: the lower limit stands first.`)
      gathered.limits = { ...kept, lower: low, upper: high }
    }
    return clause.replace(range[0], ' ')
  }
  const either = EITHER_WAY.exec(clause)
  if (either) {
    const by = size(either[1]!)
    if (by !== null) gathered.limits = { ...kept, lower: nm(-by), upper: by }
    return clause.replace(either[0], ' ')
  }
  let rest = clause
  const lower = LOWER.exec(rest)
  if (lower) {
    gathered.limits = { ...kept, lower: size(lower[2]!), lowerExcluded: ENDS_EXCLUDED.test(lower[1]!) }
    rest = rest.replace(lower[0], ' ')
  }
  const upper = UPPER.exec(rest)
  if (upper) {
    gathered.limits = { ...(gathered.limits ?? kept), upper: size(upper[2]!), upperExcluded: ENDS_EXCLUDED.test(upper[1]!) }
    rest = rest.replace(upper[0], ' ')
  }
  return rest
}
const withUnitOf = (first: string, second: string): string => {
  const unit = /\p{L}+|["″]/u.exec(second)?.[0]
  return unit === undefined || /\p{L}|["″]/u.test(first) ? first : `${first} ${unit}`
}

const IS_FIGURE = /^[+-]?[\d.]*[\d½¼¾⅛⅜⅝⅞⅓⅔]/u
const IS_UNIT = new RegExp(`^${UNIT}$`, 'iu')

/** Words, and figures behind them: what was read, and where. */
function readClause(clause: string, unit: LengthUnit, gathered: Gathered): void {
  let words: string[] = []
  let figures: string[] = []
  const close = () => {
    if (words.length > 0 || figures.length > 0) gathered.segments.push({ words, figures })
    ;[words, figures] = [[], []]
  }
  const tokens = limitsIn(clause, unit, gathered)
    .split(/[\s+]+/)
    .filter(Boolean)
  for (const [i, token] of tokens.entries()) {
    const last = figures.at(-1)
    if (last !== undefined && (IS_UNIT.test(token) || (/^\d+\/\d+$/.test(token) && /^\d+$/.test(last))))
      figures[figures.length - 1] = `${last} ${token}`
    else if (IS_FIGURE.test(token)) figures.push(token)
    // Said of the whole line.
    else if (IS_UNIT.test(token) && !SMALL_WORDS.has(token.toLowerCase())) continue
    else {
      if (last !== undefined) close()
      const word = token.toLowerCase().replace(/[^\p{L}\d-]/gu, '')
      // In front of a figure it may be the name of a place.
      const names = word === 'a' && IS_FIGURE.test(tokens[i + 1] ?? '')
      if (word !== '' && (names || !SMALL_WORDS.has(word))) words.push(word)
    }
  }
  close()
}
