import { NM_PER, nm, type LengthUnit, type Nm } from './length'
import { choice, questionOf, sized, type EntryOptions, type Figure, type Ratio, type RefusedLength } from './question'

export interface ParsedLength {
  readonly ok: true
  readonly value: Nm
  readonly unit: LengthUnit
  /** the entry was no whole number of nm */
  readonly rounded: boolean
}
export type LengthEntry = ParsedLength | RefusedLength

const UNITS: Readonly<Record<string, LengthUnit>> = {
  'thou': 'thou',
  'thous': 'thou',
  'thousandth': 'thou',
  'thousandths': 'thou',
  'mil': 'thou',
  'mils': 'thou',
  'tenth': 'tenth',
  'tenths': 'tenth',
  'in': 'in',
  'inch': 'in',
  'inches': 'in',
  '"': 'in',
  'mm': 'mm',
  'um': 'um',
  'µm': 'um',
  'µ': 'um',
  'micron': 'um',
  'microns': 'um',
}
/** Every way a unit of length is spelt. */
export const LENGTH_SPELT: readonly string[] = Object.keys(UNITS)
const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

/** Case, spacing, typographic signs and vulgar fractions brought to one plain form. A mixed number loses its hyphen: 3-1/2. */
function plain(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[−–—]/g, '-')
    .replace(/[″“”]|''/g, '"')
    .replace(/μ/g, 'µ')
    .replace(/⁄/g, '/')
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, sign => ` ${VULGAR[sign]}`)
    .replace(/\s+/g, ' ')
    .replace(/(\d) ?- ?(\d+\/\d+)/g, '$1 $2')
    .trim()
}

function decimalRatio(digits: string): Ratio {
  const [whole = '', fraction = ''] = digits.split('.')
  return { num: BigInt(whole + fraction || '0'), den: 10n ** BigInt(fraction.length) }
}

const NUMBER = /^([+-]?) ?(?:(\d*[.,]?\d+|\d+[.,]) ?)?(?:(\d+)\/(\d+))?$/
const refuse = (reason: string): RefusedLength => ({ ok: false, reason })
/** What is pasted is not looked through: nobody types a figure that long. */
export const LONGEST_TEXT = 400
const TOO_LONG = refuse('That is too long for a figure.')
const HOW = 'Type a figure such as 18, 18 thou, 0.018 in or 0.45 mm.'
/** Nothing on a bench is a kilometre long. */
const LONGEST = 1e12

/** @returns the figure, a sentence, or for `1,776` the two ways to read it */
function readFigure(
  figures: string,
  whole: string,
): Figure | RefusedLength | { readonly ways: readonly Figure[]; readonly digits: string } {
  const match = NUMBER.exec(figures.trim())
  if (!match || (match[2] === undefined && match[3] === undefined)) return refuse(`“${whole}” is not a length. ${HOW}`)
  const [, sign, digits, over, under] = match
  if (over !== undefined && digits !== undefined && !/^\d+$/.test(digits)) return refuse('A fraction goes with a whole number: 3 1/2.')
  if (under !== undefined && BigInt(under) === 0n) return refuse('A fraction cannot have 0 below the line.')
  const negative = sign === '-'
  const minus = negative ? '−' : ''
  const decimal = (text: string): Figure => ({
    ratio: decimalRatio(text),
    negative,
    text: minus + text,
    decimals: (text.split('.')[1] ?? '').length,
  })
  if (over === undefined) {
    if (/^[1-9]\d{0,2},\d{3}$/.test(digits!))
      return { digits: digits!, ways: [decimal(digits!.replace(',', '.')), decimal(digits!.replace(',', ''))] }
    return decimal(digits!.replace(',', '.'))
  }
  const { num, den } = decimalRatio(digits ?? '0')
  const ratio = { num: num * BigInt(under!) + BigInt(over) * den, den: den * BigInt(under!) }
  return { ratio, negative, text: `${minus}${digits ? `${digits} ` : ''}${over}/${under}`, decimals: null }
}

/**
 * Reads one length as technicians write them.
 *
 * @param text  `18`, `18 thou`, `.018"`, `3 1/2 thou`, `3½`, `1-3/4`, `3 thou 2 tenths`, `5 tenths`, `0,45 mm`, `45 µm`, `-2`
 * @param entryUnit  the unit a bare number takes
 * @returns the length in nm, or a sentence; an entry that can be read two ways comes back with its choices
 * @example parseLength('3½', 'thou') // { ok: true, value: 88900, unit: 'thou', rounded: false }
 */
export function parseLength(text: string, entryUnit: LengthUnit, options: EntryOptions = {}): LengthEntry {
  if (text.length > LONGEST_TEXT) return TOO_LONG
  const clean = plain(text)
  if (clean === '') return refuse('Nothing typed yet.')
  if (clean.length > 40) return TOO_LONG
  const two = /^(.+?) ?(thou|thousandths?) (?:and )?(\d+(?:\.\d+)?) ?tenths?$/.exec(clean)
  if (two) return thouAndTenths(two[1]!, two[3]!, text.trim(), options)
  const split = /^([+-]?[\d\s.,/+-]*?) ?([a-zµ"]*)\.?$/.exec(clean)
  if (!split || !/\d/.test(split[1]!)) return refuse(`“${text.trim()}” is not a length. ${HOW}`)
  const [, figures = '', unitText = ''] = split
  const bare = unitText === ''
  const unit = bare ? entryUnit : Object.hasOwn(UNITS, unitText) ? UNITS[unitText]! : undefined
  if (!unit) return refuse(`“${unitText}” is not a unit of length. Use thou, tenths, in, mm or µm.`)
  const figure = readFigure(figures, text.trim())
  if ('ok' in figure) return figure
  if ('ways' in figure)
    return {
      ok: false,
      reason: `Is the comma in ${figure.digits} a decimal comma or a thousands mark?`,
      choices: figure.ways.map(way => choice(way, unit)),
    }
  if (Number(figure.ratio.num / figure.ratio.den) * NM_PER[unit] > LONGEST) return refuse('That is longer than anything on a bench.')
  return questionOf(figure, unit, bare, entryUnit, options) ?? { ok: true, unit, ...sized(figure, unit) }
}

function thouAndTenths(thou: string, tenths: string, whole: string, options: EntryOptions): LengthEntry {
  const first = readFigure(thou, whole)
  if ('ok' in first || 'ways' in first) return 'ok' in first ? first : refuse(`“${whole}” is not a length. ${HOW}`)
  const { num, den } = decimalRatio(tenths)
  // Thou with a tenth of it added, in one ratio, so that nothing is rounded on the way.
  const ratio = { num: first.ratio.num * den * 10n + num * first.ratio.den, den: first.ratio.den * den * 10n }
  const figure: Figure = { ratio, negative: first.negative, text: `${first.text} thou ${tenths} tenths`, decimals: null }
  return questionOf(figure, 'thou', false, 'thou', options) ?? { ok: true, unit: 'thou', ...sized(figure, 'thou') }
}

const RANGE = /^(.*?[\d"a-zµ]) ?(?:\.\.|-|to) ?(-?[\d.].*)$/

/**
 * Reads a judgement by feel: `5-6 tenths`, `5..6`, `-2..-1`, or one figure; `3-1/2` is one figure.
 * @returns the two ends in nm, low first
 */
export function parseRange(
  text: string,
  entryUnit: LengthUnit,
  options: EntryOptions = {},
): { ok: true; low: Nm; high: Nm } | RefusedLength {
  if (text.length > LONGEST_TEXT) return TOO_LONG
  const clean = plain(text)
  const unitText = /[a-zµ"]+$/.exec(clean)?.[0] ?? ''
  const match = /^[+-]?(?:\d+ )?\d+\/\d+ ?[a-zµ"]*$/.test(clean) ? null : RANGE.exec(clean)
  if (!match || /^[+-]?$/.test(match[1]!)) {
    const one = parseLength(text, entryUnit, options)
    return one.ok ? { ok: true, low: one.value, high: one.value } : one
  }
  const first = parseLength(/[a-zµ"]$/.test(match[1]!) ? match[1]! : `${match[1]} ${unitText}`, entryUnit, options)
  const second = parseLength(match[2]!, entryUnit, options)
  if (!first.ok) return asked(first, match[1]!)
  if (!second.ok) return asked(second, match[2]!)
  return { ok: true, low: nm(Math.min(first.value, second.value)), high: nm(Math.max(first.value, second.value)) }
}
/** A question about one end of a range: its answer would be one figure, so it is to be typed with its unit. */
const asked = ({ reason, choices }: RefusedLength, end: string): RefusedLength =>
  refuse(choices ? `${end.trim()}: ${reason} Type it with its unit.` : reason)
