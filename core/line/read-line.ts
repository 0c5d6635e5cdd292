import { checkKind } from '../check/registry'
import type { Setup } from '../check/setup'
import { kindsFound } from '../check/which'
import type { Lot } from '../pack/lot'
import { isPieceName, readPack, type NamedPiece } from '../pack/read-pack'
import { parseLength } from '../quantity/parse-length'
import { UNIT_NAME, type LengthUnit, type Nm } from '../quantity/length'
import { partedLine, type Gathered, type Segment } from './clauses'
import type { Line } from './line'
import { PHRASES, type Phrase } from './phrases'

const LONGEST_FIRST = PHRASES.toSorted((a, b) => b.words.split(' ').length - a.words.split(' ').length)
/** The phrases words begin with, the longest there are: of several kinds, where these say it alike. */
function phrasesAt(words: readonly string[], at: number): readonly Phrase[] {
  const all = LONGEST_FIRST.filter(phrase => {
    const own = phrase.words.split(' ')
    return own.every((word, i) => words[at + i] === word || words[at + i] === `${word}s`)
  })
  return all.filter(({ words: own }) => own.split(' ').length === all[0]!.words.split(' ').length)
}

/** What the words of a line say: which check, what of its set-up, and what none of them says. */
function saidBy(words: readonly string[]): Pick<Line, 'kind' | 'others' | 'setup'> & { readonly unknown: readonly string[] } {
  const phrases: Phrase[] = []
  const unknown: string[] = []
  for (let at = 0; at < words.length;) {
    const here = phrasesAt(words, at)
    phrases.push(...here)
    // “joint play 4”: what else would be read?
    if (here.length === 0 && words[at] !== 'play') unknown.push(words[at]!)
    at += here[0]?.words.split(' ').length ?? 1
  }
  const tell = phrases.filter(({ detail }) => !detail)
  const [first] = tell
  // Without a phrase of its own a kind is found as it is in the list of them.
  const found = first ? [] : kindsFound(unknown.join(' ')).map(({ id }) => id)
  const kind = first?.kind ?? (unknown.length > 0 ? (found[0] ?? null) : null)
  const setup = phrases.filter(phrase => phrase.kind === kind).reduce<Setup>((all, { setup: own }) => ({ ...all, ...own, ...all }), {})
  return {
    kind,
    others: [...new Set(first ? tell.map(({ kind: of }) => of) : unknown.length > 0 ? found : [])].filter(of => of !== kind),
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

/** Figures without a word belong where the ones before them do: “turn 376, 378”. */
const goneOn = (segments: readonly Segment[]): readonly Segment[] =>
  segments.reduce<Segment[]>((all, segment) => {
    const before = all.at(-1)
    if (segment.words.length > 0 || !before || before.figures.length === 0) return [...all, segment]
    return [...all.slice(0, -1), { ...before, figures: [...before.figures, ...segment.figures] }]
  }, [])

/** Words beside pieces that any shop means alike. */
const PLAIN_WORDS = /^(flat|stepped|sprung|none|nothing|empty|pieces|shims|of|x\d*|in|mm|um|µm|th|thou|inch|inches|tenths?)$/iu
const callsByName = (pieces: string): boolean =>
  pieces.split(/[\s,;+]+/).some(word => /^(\p{L}\d?|\p{L}{2,}|u\/s)$/iu.test(word) && !PLAIN_WORDS.test(word))

/** Pieces as they are named. */
function piecesOf(
  texts: readonly string[],
  unit: LengthUnit,
  line: string,
  gathered: Gathered,
  lots: readonly Lot[],
): readonly NamedPiece[] | null {
  const text = texts.join(', ')
  const read = readPack(text, unit, lots)
  if (read.ok) return read.pieces
  if (read.choices)
    gathered.asks.push({
      words: read.reason,
      choices: read.choices.map(({ label, text: as }) => ({ label, line: texts.length === 1 ? line.replace(text, as) : line })),
    })
  else gathered.faults.push(read.reason)
  return null
}

/**
 * A job as it is said: `quill 31, 2-4, pack 2 2 2 5 5 5 10 10`. Clauses are parted by commas with a blank, semicolons, or the words that begin
 * them: what is read, what is allowed, what is in (`pack`), what could go in (`from`), how it was read.
 * @param usual  what a bare figure means where the line does not say
 * @param lots  of the family its pieces come from: what goes by a letter or a colour there
 */
export function readLine(text: string, usual: LengthUnit, lots: readonly Lot[] = []): Line {
  const { gathered, unit, unitSaid, line } = partedLine(text, usual)
  const { segments, pack, spare, limits, graduation, readings } = gathered
  const placesOf = (kind: string | null): Readonly<Record<string, string>> => (kind === null ? {} : (checkKind(kind).spoken?.places ?? {}))
  const words = segments.flatMap(segment => segment.words)
  const first = saidBy(words)
  // Words for a place of this kind are no words for another kind.
  // “A 0.3” is a place, “an A” is none.
  const isPlace = (word: string) => word in placesOf(first.kind) || word === 'a'
  const said = words.some(isPlace) ? saidBy(words.filter(word => !isPlace(word))) : first
  const places = placesOf(said.kind)
  const read = goneOn(segments)
    .filter(({ figures }) => figures.length > 0)
    .map(({ words: before, figures }) => ({
      at: places[before.findLast(word => word in places) ?? ''] ?? '',
      figures: figuresOf(figures, unit, line, gathered),
    }))
    .filter(({ figures }) => figures.length > 0)
  const family = spare !== null && spare.every(text => !/\d/.test(text) && !text.split(' ').every(isPieceName)) ? spare.join(' ') : null
  const fitted = pack === null ? null : piecesOf(pack, unit, line, gathered, lots)
  const offered = spare === null || family !== null ? null : piecesOf(spare, unit, line, gathered, lots)
  const byName = [...(pack ?? []), ...(family === null ? (spare ?? []) : [])].some(callsByName)
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
    byName,
    tool: { graduation, readings },
    asks: gathered.asks,
    faults: [...gathered.faults, ...said.unknown.map(word => `“${word}” says nothing here.`)],
  }
}
