import { formatFigure } from './figure'
import { parseMeasure } from './measure'

/** One turn, in thousandths of a degree. */
export const TURN = 360_000
/** Three unknowns, three marks: the middle, and how far off it is two ways. */
const FEWEST = 3
const MOST = 72

/** A sentence where these marks, thousandths of a degree clockwise from 12, do not make a turn; else null. */
export function marksFault(marks: readonly number[]): string | null {
  if (marks.length < FEWEST) return 'Three marks at least, four are usual: two tell nothing of the other axis.'
  if (marks.length > MOST) return `At most ${MOST} marks.`
  if (marks.some(mark => mark >= TURN)) return 'A mark lies between 0° and 360°.'
  const twice = marks.find((mark, i) => marks.indexOf(mark) !== i)
  return twice === undefined
    ? null
    : `${formatFigure(twice, 'h', { unit: true })} stands there twice: each mark once, the first again at the end by itself.`
}

export type MarksEntry = { readonly ok: true; readonly marks: readonly number[] } | { readonly ok: false; readonly reason: string }

/**
 * Marks as they are typed: `12 3 6 9` as a clock has them, `1:30`, or degrees where a figure has its sign or is over 12: `0 45 90`.
 * @returns thousandths of a degree clockwise from 12, in the order typed
 */
export function parseMarks(text: string): MarksEntry {
  const words = text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)
  const degrees = words.some(word => word.endsWith('°') || Number(word.replace(/°$/, '')) > 12)
  const marks: number[] = []
  for (const word of words) {
    const read = parseMeasure(word, 'angle', degrees ? '°' : 'h')
    if (!read.ok) return { ok: false, reason: read.reason }
    if (read.value < 0 || read.value > TURN) return { ok: false, reason: `“${word}” lies outside one turn.` }
    marks.push(read.value % TURN)
  }
  const reason = marksFault(marks)
  return reason === null ? { ok: true, marks } : { ok: false, reason }
}

/** `12 · 3 · 6 · 9`, or in degrees where one is no full or half hour. */
export function marksText(marks: readonly number[]): string {
  const even = marks.every(mark => mark % 15_000 === 0)
  return marks
    .map(mark => (even ? formatFigure(mark, 'h').replace(/:00$/, '') : formatFigure(mark, '°', { trim: true, unit: true })))
    .join(' ')
}
