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
  /** What the figure is, for the sentence: "play", "thickness". */
  readonly name?: string
}

const UNITS: Readonly<Record<string, LengthUnit>> = {
  '': 'thou',
  'thou': 'thou',
  'thous': 'thou',
  'tenth': 'tenth',
  'tenths': 'tenth',
  'in': 'in',
  'inch': 'in',
  'inches': 'in',
  '"': 'in',
  'mm': 'mm',
  'um': 'um',
  'µm': 'um',
  'micron': 'um',
  'microns': 'um',
}
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

/** Case, spacing, typographic signs and vulgar fractions brought to one plain form. */
function plain(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[−–—]/g, '-')
    .replace(/[″“”]|''/g, '"')
    .replace(/μ/g, 'µ')
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, sign => ` ${VULGAR[sign]}`)
    .replace(/\s+/g, ' ')
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
const HOW = 'Type a figure such as 18, 18 thou, 0.018 in or 0.45 mm.'

/**
 * Reads one length as technicians write them.
 *
 * @param text  `18`, `18 thou`, `.018"`, `3 1/2 thou`, `3½`, `5 tenths`, `0,45 mm`, `45 µm`, `-2`
 * @param entryUnit  the unit a bare number takes
 * @returns the length in nm, or a sentence; an entry that can be read two ways comes back with its choices
 * @example parseLength('3½', 'thou') // { ok: true, value: 88900, unit: 'thou', rounded: false }
 */
export function parseLength(text: string, entryUnit: LengthUnit, options: EntryOptions = {}): LengthEntry {
  const clean = plain(text)
  if (clean === '') return refuse('Nothing typed yet.')
  if (clean.length > 40) return refuse('That is too long for a figure.')
  const split = /^([+-]?[\d\s.,/+-]*?) ?([a-zµ"]*)\.?$/.exec(clean)
  if (!split) return refuse(`“${text.trim()}” is not a length. ${HOW}`)
  const [, figures = '', unitText = ''] = split
  if (!/\d/.test(figures)) return refuse(`“${text.trim()}” is not a length. ${HOW}`)
  const named = unitText === '' ? entryUnit : Object.hasOwn(UNITS, unitText) ? UNITS[unitText]! : undefined
  if (!named) return refuse(`“${unitText}” is not a unit of length. Use thou, tenths, in, mm or µm.`)
  const match = NUMBER.exec(figures.trim())
  if (!match || (match[2] === undefined && match[3] === undefined)) return refuse(`“${text.trim()}” is not a length. ${HOW}`)
  const [, sign, digits, over, under] = match
  if (over !== undefined && digits !== undefined && !/^\d+$/.test(digits)) return refuse('A fraction goes with a whole number: 3 1/2.')
  if (under !== undefined && BigInt(under) === 0n) return refuse('A fraction cannot have 0 below the line.')
  const negative = sign === '-'
  const read = (figure: string, unit: LengthUnit) => toNm(decimalRatio(figure), unit, negative)

  if (digits && /^[1-9]\d{0,2},\d{3}$/.test(digits)) {
    const asDecimal = digits.replace(',', '.')
    const asGroup = digits.replace(',', '')
    return {
      ok: false,
      reason: `Is the comma in ${digits} a decimal comma or a thousands mark?`,
      choices: [
        { label: `${asDecimal} ${UNIT_NAME[named]}`, value: read(asDecimal, named).value },
        { label: `${asGroup} ${UNIT_NAME[named]}`, value: read(asGroup, named).value },
      ],
    }
  }
  const figure = (digits ?? '0').replace(',', '.')
  let ratio = decimalRatio(figure)
  if (over !== undefined) ratio = { num: ratio.num * BigInt(under!) + BigInt(over) * ratio.den, den: ratio.den * BigInt(under!) }
  if (Number(ratio.num / ratio.den) > 1e6) return refuse('That is longer than anything on a bench.')
  const { value, rounded } = toNm(ratio, named, negative)

  // A bare ".018" in a thou field is nearly always inches; a real 0.018 thou is finer than any dial.
  if (unitText === '' && entryUnit === 'thou' && over === undefined && value !== 0 && Math.abs(value) < NM_PER.thou / 10) {
    return {
      ok: false,
      reason: `${figure} here: inches, or thou?`,
      choices: [
        { label: `${figure} in`, value: read(figure, 'in').value },
        { label: `${figure} thou`, value },
      ],
    }
  }
  if (options.plausible !== undefined && Math.abs(value) > options.plausible) {
    return {
      ok: false,
      reason: `A ${options.name ?? 'figure'} of ${figures.trim()} ${UNIT_NAME[named]} is a lot. Is that right?`,
      choices: [...smallerReadings(figure, named, options.plausible, read), { label: `yes, ${figures.trim()} ${UNIT_NAME[named]}`, value }],
    }
  }
  return { ok: true, value, unit: named, rounded }
}

/** The same figure in the units that would make it plausible, for the question. */
function smallerReadings(
  figure: string,
  typed: LengthUnit,
  plausible: Nm,
  read: (figure: string, unit: LengthUnit) => { value: Nm },
): Choice[] {
  const candidates: LengthUnit[] = typed === 'mm' ? ['thou', 'um'] : ['thou', 'mm']
  return candidates
    .filter(unit => unit !== typed)
    .map(unit => ({ label: `${figure} ${UNIT_NAME[unit]}`, value: read(figure, unit).value }))
    .filter(choice => Math.abs(choice.value) <= plausible)
}

/**
 * Reads a judgement by feel: `5-6 tenths`, `5..6`, or one figure.
 * @returns the two ends in nm, low first
 */
export function parseRange(text: string, entryUnit: LengthUnit): { ok: true; low: Nm; high: Nm } | RefusedLength {
  const clean = plain(text)
  const match = /^(.*?[\d"a-zµ]) ?(?:\.\.|-|to) ?([\d.].*)$/.exec(clean)
  const unitText = /[a-zµ"]+$/.exec(clean)?.[0] ?? ''
  if (!match || /^[+-]?$/.test(match[1]!)) {
    const one = parseLength(text, entryUnit)
    return one.ok ? { ok: true, low: one.value, high: one.value } : one
  }
  const first = parseLength(/[a-zµ"]$/.test(match[1]!) ? match[1]! : `${match[1]} ${unitText}`, entryUnit)
  const second = parseLength(match[2]!, entryUnit)
  if (!first.ok) return first
  if (!second.ok) return second
  return { ok: true, low: nm(Math.min(first.value, second.value)), high: nm(Math.max(first.value, second.value)) }
}
