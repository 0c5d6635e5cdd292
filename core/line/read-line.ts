import { kindsFound } from '../check/which'
import type { Setup } from '../check/setup'
import { readPack, type NamedPiece } from '../pack/read-pack'
import { LENGTH_SPELT, parseLength } from '../quantity/parse-length'
import { UNIT_NAME, nm, type LengthUnit, type Nm } from '../quantity/length'
import { PHRASES, PLACES, SMALL_WORDS, type Phrase } from './phrases'

/** Figures read at one place; empty: the first the kind reads. */
export interface LineReading {
  readonly at: string
  readonly figures: readonly Nm[]
}
/** Ends of what is allowed, nm; null: that side is open. */
export interface LineLimits {
  readonly lower: Nm | null
  readonly lowerExcluded: boolean
  readonly upper: Nm | null
  readonly upperExcluded: boolean
}
/** What is meant in two ways: the line as it would be typed without doubt. */
export interface LineAsk {
  readonly words: string
  readonly choices: readonly { readonly label: string; readonly line: string }[]
}
/** How it was measured, as far as the line says. */
export interface LineTool {
  /** the smallest division, nm; null: what stands in */
  readonly graduation: Nm | null
  /** the figure is the mean of so many readings */
  readonly readings: number
}

/** What a line says. What it leaves open is asked, or stands in, or is left to do. */
export interface Line {
  /** id of the kind; null: no word says which */
  readonly kind: string | null
  /** other kinds the words could mean, the likeliest first */
  readonly others: readonly string[]
  readonly setup: Setup
  /** what a bare figure means */
  readonly unit: LengthUnit
  readonly unitSaid: boolean
  readonly readings: readonly LineReading[]
  readonly limits: LineLimits | null
  /** what is in now; null: nothing is said of it */
  readonly fitted: readonly NamedPiece[] | null
  /** what could go in besides: pieces, or a family of the drawer by name; null: only what is in */
  readonly drawer: { readonly pieces: readonly NamedPiece[] } | { readonly family: string } | null
  readonly tool: LineTool
  readonly asks: readonly LineAsk[]
  /** sentences: what of the line says nothing */
  readonly faults: readonly string[]
}

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
interface Segment {
  readonly words: readonly string[]
  readonly figures: readonly string[]
}

/** What is gathered while a line is gone through. */
interface Gathered {
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
  return kinds.size === 1 ? { unit: [...kinds][0]!, said: true } : { unit: usual, said: false }
}

/**
 * A job as it is said: `quill 31, 2-4, pack 2 2 2 5 5 5 10 10`. Clauses are parted by commas with a blank, semicolons, or the words that begin
 * them: what is read, what is allowed, what is in (`pack`), what could go in (`from`), how it was read.
 * @param usual  what a bare figure means where the line does not say
 */
export function readLine(text: string, usual: LengthUnit): Line {
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
  if (clean.length > LONGEST) return lineOf({ ...gathered, faults: ['That is too long for a line.'] }, usual, false, clean)
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
  return lineOf(gathered, unit, said, clean)
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

const isPiece = (words: string): boolean => /\d|½|¼/.test(words) && !RANGE.test(words) && !UPPER.test(words) && !LOWER.test(words)

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
  for (const token of limitsIn(clause, unit, gathered)
    .split(/[\s+]+/)
    .filter(Boolean)) {
    const last = figures.at(-1)
    if (last !== undefined && (IS_UNIT.test(token) || (/^\d+\/\d+$/.test(token) && /^\d+$/.test(last))))
      figures[figures.length - 1] = `${last} ${token}`
    else if (IS_FIGURE.test(token)) figures.push(token)
    // Said of the whole line.
    else if (IS_UNIT.test(token) && !SMALL_WORDS.has(token.toLowerCase())) continue
    else {
      if (last !== undefined) close()
      const word = token.toLowerCase().replace(/[^\p{L}\d-]/gu, '')
      if (word !== '' && !SMALL_WORDS.has(word)) words.push(word)
    }
  }
  close()
}

const LONGEST_FIRST = PHRASES.toSorted((a, b) => b.words.split(' ').length - a.words.split(' ').length)
/** The phrase words begin with, the longest there is. */
const phraseAt = (words: readonly string[], at: number): Phrase | undefined =>
  LONGEST_FIRST.find(phrase => {
    const own = phrase.words.split(' ')
    return own.every((word, i) => words[at + i] === word || words[at + i] === `${word}s`)
  })

/** What the words of a line say: which check, what of its set-up, and what none of them says. */
function saidBy(words: readonly string[]): Pick<Line, 'kind' | 'others' | 'setup'> & { readonly unknown: readonly string[] } {
  const phrases: Phrase[] = []
  const unknown: string[] = []
  for (let at = 0; at < words.length;) {
    const phrase = phraseAt(words, at)
    if (phrase) phrases.push(phrase)
    // “joint play 4”: what else would be read?
    else if (words[at] !== 'play') unknown.push(words[at]!)
    at += phrase ? phrase.words.split(' ').length : 1
  }
  const [first] = phrases
  // Without a phrase of its own a kind is found as it is in the list of them.
  const found = first ? [] : kindsFound(unknown.join(' ')).map(({ id }) => id)
  const kind = first?.kind ?? (unknown.length > 0 ? (found[0] ?? null) : null)
  const setup = phrases.filter(phrase => phrase.kind === kind).reduce<Setup>((all, { setup: own }) => ({ ...all, ...own, ...all }), {})
  return {
    kind,
    others: [...new Set(first ? phrases.map(({ kind: of }) => of) : unknown.length > 0 ? found : [])].filter(of => of !== kind),
    setup,
    unknown: first || kind === null ? unknown : [],
  }
}

/** Figures of a segment. A comma between digits may be a point. */
function figuresOf(said: readonly string[], unit: LengthUnit, line: string, gathered: Gathered): Nm[] {
  // “1.8898 1.8899 in”: the unit behind the last is that of all.
  const last = / (\S*[\p{L}"″]\S*)$/u.exec(said.at(-1) ?? '')?.[1]
  const figures = last === undefined ? said : said.map(figure => (/[\p{L}"″]/u.test(figure) ? figure : `${figure} ${last}`))
  return figures.flatMap(figure => {
    if (/^\d+,\d+$/.test(figure) && !figure.startsWith('0,')) {
      const [whole, rest] = figure.split(',')
      gathered.asks.push({
        words: `${figure}: one figure, or two?`,
        choices: [
          { label: `${whole}.${rest} ${UNIT_NAME[unit]}`, line: line.replace(figure, `${whole}.${rest}`) },
          { label: `${whole} and ${rest}`, line: line.replace(figure, `${whole} ${rest}`) },
        ],
      })
      return []
    }
    if (/^\d+(,\d+){2,}$/.test(figure)) return figuresOf(figure.split(','), unit, line, gathered)
    const read = parseLength(figure, unit)
    if (read.ok) return [read.value]
    if (read.choices)
      gathered.asks.push({
        words: read.reason,
        choices: read.choices.map(({ label }) => ({ label, line: line.replace(figure, label) })),
      })
    else gathered.faults.push(read.reason)
    return []
  })
}

/** Pieces as they are named. */
function piecesOf(texts: readonly string[], unit: LengthUnit, line: string, gathered: Gathered): readonly NamedPiece[] | null {
  const text = texts.join(', ')
  const read = readPack(text, unit, [])
  if (read.ok) return read.pieces
  if (read.choices)
    gathered.asks.push({
      words: read.reason,
      choices: read.choices.map(({ label, text: as }) => ({ label, line: texts.length === 1 ? line.replace(text, as) : line })),
    })
  else gathered.faults.push(read.reason)
  return null
}

function lineOf(gathered: Gathered, unit: LengthUnit, unitSaid: boolean, line: string): Line {
  const { segments, pack, spare, limits, graduation, readings } = gathered
  const placesOf = (kind: string | null) => (kind === null ? {} : (PLACES[kind] ?? {}))
  const words = segments.flatMap(segment => segment.words)
  const first = saidBy(words)
  // Words for a place of this kind are no words for another kind.
  const isPlace = (word: string) => word in placesOf(first.kind)
  const said = words.some(isPlace) ? saidBy(words.filter(word => !isPlace(word))) : first
  const places = placesOf(said.kind)
  const read = segments
    .filter(({ figures }) => figures.length > 0)
    .map(({ words: before, figures }) => ({
      at: places[before.findLast(word => word in places) ?? ''] ?? '',
      figures: figuresOf(figures, unit, line, gathered),
    }))
    .filter(({ figures }) => figures.length > 0)
  const family = spare !== null && spare.every(text => !/\d/.test(text)) ? spare.join(' ') : null
  const fitted = pack === null ? null : piecesOf(pack, unit, line, gathered)
  const offered = spare === null || family !== null ? null : piecesOf(spare, unit, line, gathered)
  const drawer = family !== null ? { family } : offered && { pieces: offered }
  return {
    kind: said.kind,
    others: said.others,
    setup: said.setup,
    unit,
    unitSaid,
    readings: read,
    limits,
    fitted,
    drawer,
    tool: { graduation, readings },
    asks: gathered.asks,
    faults: [...gathered.faults, ...said.unknown.map(word => `“${word}” says nothing here.`)],
  }
}
