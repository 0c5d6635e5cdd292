import { NM_PER, UNIT_NAME, nm, type LengthUnit, type Nm } from './length'

export interface Choice {
  readonly label: string
  readonly value: Nm
}
export interface ParsedLength {
  readonly ok: true
  readonly value: Nm
  readonly unit: LengthUnit
  /** the entry was no whole number of nm */
  readonly rounded: boolean
}
export interface RefusedLength {
  readonly ok: false
  /** A sentence to show at the field. */
  readonly reason: string
  /** Set when the entry can be read in more than one way: ask, do not store. */
  readonly choices?: readonly Choice[]
}
export type LengthEntry = ParsedLength | RefusedLength

export interface EntryOptions {
  /** Above this the figure is asked about ("a play of 1.2 inches"). */
  readonly plausible?: Nm
  /** Below this it is asked about: a size of less than nothing. */
  readonly least?: Nm
  /** What its like measured: a figure a fifth away from it is asked about, or further than `within`. */
  readonly near?: Nm
  readonly within?: Nm
  /** Whose that is, for the sentence; "the others" unless said. */
  readonly nearTo?: string
  /** What the figure is, for the sentence: "play", "thickness". */
  readonly name?: string
}

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

interface Ratio {
  readonly num: bigint
  readonly den: bigint
}

function decimalRatio(digits: string): Ratio {
  const [whole = '', fraction = ''] = digits.split('.')
  return { num: BigInt(whole + fraction || '0'), den: 10n ** BigInt(fraction.length) }
}

/** Nearest whole nanometre of ratio × unit; half goes away from zero. */
function toNm({ num, den }: Ratio, unit: LengthUnit, negative: boolean): { value: Nm; rounded: boolean } {
  const top = num * BigInt(NM_PER[unit])
  const rounded = top % den !== 0n
  const size = Number((2n * top + den) / (2n * den))
  return { value: nm(negative ? -size : size), rounded }
}

const NUMBER = /^([+-]?) ?(?:(\d*[.,]?\d+|\d+[.,]) ?)?(?:(\d+)\/(\d+))?$/
const refuse = (reason: string): RefusedLength => ({ ok: false, reason })
/** What is pasted is not looked through: nobody types a figure that long. */
export const LONGEST_TEXT = 400
const TOO_LONG = refuse('That is too long for a figure.')
const HOW = 'Type a figure such as 18, 18 thou, 0.018 in or 0.45 mm.'
/** Nothing on a bench is a kilometre long. */
const LONGEST = 1e12

/** A figure as it was typed, before it has a unit. */
interface Figure {
  readonly ratio: Ratio
  readonly negative: boolean
  /** as it is said again in a question */
  readonly text: string
  /** digits alone, without a fraction */
  readonly decimal: boolean
}

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
  const decimal = (text: string): Figure => ({ ratio: decimalRatio(text), negative, text: minus + text, decimal: true })
  if (over === undefined) {
    if (/^[1-9]\d{0,2},\d{3}$/.test(digits!))
      return { digits: digits!, ways: [decimal(digits!.replace(',', '.')), decimal(digits!.replace(',', ''))] }
    return decimal(digits!.replace(',', '.'))
  }
  const { num, den } = decimalRatio(digits ?? '0')
  const ratio = { num: num * BigInt(under!) + BigInt(over) * den, den: den * BigInt(under!) }
  return { ratio, negative, text: `${minus}${digits ? `${digits} ` : ''}${over}/${under}`, decimal: false }
}

const sized = (figure: Figure, unit: LengthUnit) => toNm(figure.ratio, unit, figure.negative)
const choice = (figure: Figure, unit: LengthUnit, name = UNIT_NAME[unit]): Choice => ({
  label: `${figure.text} ${name}`,
  value: sized(figure, unit).value,
})

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
  return ambiguity(figure, unit, bare, entryUnit) ?? implausible(figure, unit, options) ?? { ok: true, unit, ...sized(figure, unit) }
}

function thouAndTenths(thou: string, tenths: string, whole: string, options: EntryOptions): LengthEntry {
  const first = readFigure(thou, whole)
  if ('ok' in first || 'ways' in first) return 'ok' in first ? first : refuse(`“${whole}” is not a length. ${HOW}`)
  const { num, den } = decimalRatio(tenths)
  // Thou with a tenth of it added, in one ratio, so that nothing is rounded on the way.
  const ratio = { num: first.ratio.num * den * 10n + num * first.ratio.den, den: first.ratio.den * den * 10n }
  const figure: Figure = { ratio, negative: first.negative, text: `${first.text} thou ${tenths} tenths`, decimal: false }
  return implausible(figure, 'thou', options) ?? { ok: true, unit: 'thou', ...sized(figure, 'thou') }
}

/** What can be meant in two ways, whatever is measured. */
function ambiguity(figure: Figure, unit: LengthUnit, bare: boolean, entryUnit: LengthUnit): RefusedLength | null {
  const { value } = sized(figure, unit)
  const size = Math.abs(value)
  const ask = (reason: string, ...choices: Choice[]): RefusedLength => ({ ok: false, reason, choices })
  // A bare ".018" in a thou field is nearly always inches; finer than any dial it is none of its own unit.
  if (bare && figure.decimal && value !== 0) {
    if ((unit === 'thou' || unit === 'tenth') && size < NM_PER[unit] / 10)
      return ask(`${figure.text} here: inches, or ${UNIT_NAME[unit]}?`, choice(figure, 'in'), choice(figure, unit))
    if (unit === 'um' && size < NM_PER.um / 10)
      return ask(`${figure.text} here: millimetres, or µm?`, choice(figure, 'mm'), choice(figure, 'um'))
  }
  // A tenth is a tenth of a thou to some, of a millimetre to others.
  if (!bare && unit === 'tenth' && (entryUnit === 'mm' || entryUnit === 'um'))
    return ask(`${figure.text} tenths of what?`, choice(figure, 'tenth', 'tenths of a thou'), {
      label: `${figure.text} tenths of a mm`,
      value: nm(Math.round(value * (NM_PER.mm / 10 / NM_PER.tenth))),
    })
  return null
}

/** Part of what its like measured that a size may be off. */
const NEAR = 1.25

function implausible(
  figure: Figure,
  unit: LengthUnit,
  { plausible, least, near, within, nearTo = 'the others', name = 'figure' }: EntryOptions,
): RefusedLength | null {
  const { value } = sized(figure, unit)
  const possible = (length: number) =>
    (plausible === undefined || Math.abs(length) <= plausible) &&
    (least === undefined || length >= least) &&
    (near === undefined || (within === undefined ? length >= near / NEAR && length <= near * NEAR : Math.abs(length - near) <= within))
  if (possible(value)) return null
  const small = least !== undefined && value < least
  const reason = small
    ? `A ${name} of ${figure.text} ${UNIT_NAME[unit]} is less than nothing. Is that right?`
    : plausible !== undefined && Math.abs(value) > plausible
      ? `A ${name} of ${figure.text} ${UNIT_NAME[unit]} is a lot. Is that right?`
      : `${figure.text} ${UNIT_NAME[unit]} is far from ${nearTo}. Is that right?`
  const others = (['mm', 'thou', 'in', 'um', 'tenth'] as const)
    .filter(other => other !== unit && possible(sized(figure, other).value))
    .slice(0, 2)
    .map(other => choice(figure, other))
  const positive = { ...figure, negative: false, text: figure.text.replace('−', '') }
  const unsigned = small && possible(sized(positive, unit).value) ? [choice(positive, unit)] : []
  const itself = choice(figure, unit)
  return { ok: false, reason, choices: [...unsigned, ...others, { ...itself, label: `yes, ${itself.label}` }] }
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
