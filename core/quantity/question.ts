import { NM_PER, UNIT_NAME, nm, type LengthUnit, type Nm } from './length'

export interface Choice {
  readonly label: string
  readonly value: Nm
}
export interface RefusedLength {
  readonly ok: false
  /** A sentence to show at the field. */
  readonly reason: string
  /** Set when the entry can be read in more than one way: ask, do not store. */
  readonly choices?: readonly Choice[]
  /** The first of them is what was typed, in the unit it was typed in, and the gauge can show it: Enter may take it. */
  readonly asTyped?: true
}

/** What the gauge a figure is read with can show, where that is known. nm */
export interface Shows {
  readonly low: number
  readonly high: number
  /** smallest that can be read on it */
  readonly step: number
}

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
  /** Where it is looked for: a figure a tenth of that and less is asked about where another unit puts it there. */
  readonly likely?: { readonly low: number; readonly high: number }
  /** A figure typed finer than that can be read is asked about. */
  readonly shows?: Shows
  /** What the figure is, for the sentence: "play", "thickness". */
  readonly name?: string
  /** A figure of another quantity without its unit is asked about: any of these may be meant. */
  readonly anyOf?: readonly string[]
}

export interface Ratio {
  readonly num: bigint
  readonly den: bigint
}

/** A figure as it was typed, before it has a unit. */
export interface Figure {
  readonly ratio: Ratio
  readonly negative: boolean
  /** as it is said again in a question */
  readonly text: string
  /** digits behind its point; null: typed with a fraction, or in two units */
  readonly decimals: number | null
}

/** The figure in a unit, to the nearest whole nanometre; half goes away from zero. */
export function sized({ ratio: { num, den }, negative }: Figure, unit: LengthUnit): { value: Nm; rounded: boolean } {
  const top = num * BigInt(NM_PER[unit])
  const size = Number((2n * top + den) / (2n * den))
  return { value: nm(negative ? -size : size), rounded: top % den !== 0n }
}

export const choice = (figure: Figure, unit: LengthUnit, name = UNIT_NAME[unit]): Choice => ({
  label: `${figure.text} ${name}`,
  value: sized(figure, unit).value,
})

/** Digits behind the point that are usual in a unit, whatever the gauge: quarters of a thou, whole micrometres. */
const USUAL: Readonly<Partial<Record<LengthUnit, number>>> = { thou: 2, tenth: 1, mm: 3, um: 1 }
const OTHER: Readonly<Partial<Record<LengthUnit, LengthUnit>>> = { thou: 'in', tenth: 'in', mm: 'in', um: 'mm' }

function digitsOf(step: number, unit: LengthUnit): number {
  let digits = 0
  while (digits < 6 && Math.abs((step * 10 ** digits) / NM_PER[unit] - Math.round((step * 10 ** digits) / NM_PER[unit])) > 1e-9) digits += 1
  return digits
}

/** Typed to more digits than the gauge can be read to in that unit. */
const tooFine = ({ decimals }: Figure, unit: LengthUnit, step: number): boolean =>
  USUAL[unit] !== undefined && decimals !== null && decimals > Math.max(USUAL[unit], digitsOf(step, unit))

const canShow = (figure: Figure, unit: LengthUnit, shows: Shows): boolean => {
  const { value } = sized(figure, unit)
  return value >= shows.low && value <= shows.high && !tooFine(figure, unit, shows.step)
}

/**
 * What is asked of a figure before it is stored; null: nothing. The choices begin with what was typed where that can be so.
 * @param bare  typed without a unit; it took that of the field
 * @param entryUnit  the field’s
 */
export function questionOf(
  figure: Figure,
  unit: LengthUnit,
  bare: boolean,
  entryUnit: LengthUnit,
  options: EntryOptions,
): RefusedLength | null {
  return ambiguity(figure, unit, bare, entryUnit, options) ?? implausible(figure, unit, options)
}

/** What can be meant in two ways, whatever is measured. */
function ambiguity(figure: Figure, unit: LengthUnit, bare: boolean, entryUnit: LengthUnit, { shows }: EntryOptions): RefusedLength | null {
  const { value } = sized(figure, unit)
  const size = Math.abs(value)
  const other = OTHER[unit]
  // A bare ".018" in a thou field is nearly always inches, and so is ".500"; finer than any dial it is none of its own unit.
  if (bare && other && figure.decimals !== null && value !== 0) {
    const small = unit !== 'mm' && (size < NM_PER[unit] / 10 || (size < NM_PER[unit] && figure.decimals > USUAL[unit]!))
    if (small || (shows && tooFine(figure, unit, shows.step)))
      return {
        ok: false,
        reason: `${figure.text} here: ${WORD[other]}, or ${UNIT_NAME[unit]}?`,
        choices: [choice(figure, other), choice(figure, unit)],
      }
  }
  // A tenth is a tenth of a thou to some, of a millimetre to others.
  if (!bare && unit === 'tenth' && (entryUnit === 'mm' || entryUnit === 'um'))
    return {
      ok: false,
      reason: `${figure.text} tenths of what?`,
      choices: [
        choice(figure, 'tenth', 'tenths of a thou'),
        { label: `${figure.text} tenths of a mm`, value: nm(Math.round(value * (NM_PER.mm / 10 / NM_PER.tenth))) },
      ],
    }
  return null
}
const WORD: Readonly<Partial<Record<LengthUnit, string>>> = { in: 'inches', mm: 'millimetres' }

/** Part of what its like measured that a size may be off. */
const NEAR = 1.25
/** Part of the least that is looked for that a figure may be. */
const FAR_BELOW = 10

function implausible(figure: Figure, unit: LengthUnit, options: EntryOptions): RefusedLength | null {
  const { plausible, least, near, within, nearTo = 'the others', likely, shows, name = 'figure' } = options
  const { value } = sized(figure, unit)
  const possible = (length: number) =>
    (plausible === undefined || Math.abs(length) <= plausible) &&
    (least === undefined || length >= least) &&
    (near === undefined || (within === undefined ? length >= near / NEAR && length <= near * NEAR : Math.abs(length - near) <= within))
  const units = (['mm', 'thou', 'in', 'um', 'tenth'] as const).filter(other => other !== unit && possible(sized(figure, other).value))
  const size = Math.abs(value)
  const there = units.filter(other => {
    const length = Math.abs(sized(figure, other).value)
    return likely !== undefined && length >= likely.low && length <= likely.high
  })
  const farBelow = likely !== undefined && value !== 0 && size < likely.low / FAR_BELOW && there.length > 0
  if (possible(value) && !farBelow) return null
  const said = `${figure.text} ${UNIT_NAME[unit]}`
  const small = least !== undefined && value < least
  const reason = small
    ? `A ${name} of ${said} is less than nothing. Is that right?`
    : plausible !== undefined && size > plausible
      ? `A ${name} of ${said} is a lot. Is that right?`
      : farBelow
        ? `A ${name} of ${said} is far below the limits. Is that right?`
        : `${said} is far from ${nearTo}. Is that right?`
  const positive = { ...figure, negative: false, text: figure.text.replace('−', '') }
  const unsigned = small && possible(sized(positive, unit).value) ? [choice(positive, unit)] : []
  const itself = { ...choice(figure, unit), label: `yes, ${said}` }
  const others = [...unsigned, ...(there.length > 0 ? there : units).slice(0, 2).map(other => choice(figure, other))]
  return !small && (!shows || canShow(figure, unit, shows))
    ? { ok: false, reason, choices: [itself, ...others], asTyped: true }
    : { ok: false, reason, choices: [...others, itself] }
}
