import { formatFigure, systemOf, type Unit } from '../../quantity/figure'
import { formatLength } from '../../quantity/format-length'
import { NM_PER, nm, type LengthUnit, type Nm } from '../../quantity/length'
import { ownVariance } from '../../reading/estimate'
import { CHI_SQUARE_95, coverageFactor } from '../../reading/student'
import { bandOf, endsOf, type LimitSet } from '../../verdict/limits'
import { agreesWithNone, thicknessFor, type LearnedSlope, type NextThickness } from '../../choice/grounds/learned-slope'
import type { Ledger } from '../../choice/grounds/ledger'
import { packTotal, thickness, type Lot, type LotMap } from '../../pack/lot'
import { chosenFor, type PackPlace } from '../pack-place'
import type { Fitting } from '../../choice/grounds/fitting'

/** What fittings have shown of how the pieces of a place move a figure that is no length. Thicknesses in nm. */
export interface Learned {
  readonly unit: Unit
  /** fittings with drag, which the line goes through */
  readonly points: readonly {
    readonly id: string
    readonly number: number
    readonly thickness: number
    readonly value: number
    readonly U: number
  }[]
  /** fittings without any: they say only “no more than”, and are not in the line */
  readonly none: readonly { readonly id: string; readonly number: number; readonly thickness: number }[]
  /** null while there are not two thicknesses */
  readonly line: LearnedSlope | null
  /** total at which the figure comes to what is aimed at, with its interval */
  readonly next: NextThickness | null
  /** what the film of sealant will do to it when it is closed for good; null where there is none, or it is in already */
  readonly film: Film | null
  /** total at which the line comes to nothing: beyond it there is no drag to be measured */
  readonly ends: NextThickness | null
}

/** A film that is not in yet: what the figure measured bare changes by. */
export interface Film {
  readonly thickness: Nm
  /** small units of the figure, with what it is known to at 95 % */
  readonly change: number
  readonly U: number
  /** what the figure then comes to; null where none was measured */
  readonly leaves: number | null
  /** that is out of its limits */
  readonly out: boolean
  readonly words: string
}

/** What the line gives at a thickness. */
export const lineAt = ({ at, slope }: LearnedSlope, thick: number): number => at.value + slope * (thick - at.thickness)

/** Limits of a torque as the thickness it is worth. */
export function scaled(limits: LimitSet | null, per: number): LimitSet | null {
  if (!limits) return null
  const end = (value: number) => nm(Math.round(value / per))
  switch (limits.kind) {
    case 'two-sided':
      return { ...limits, unit: 'mm', lower: end(limits.lower), upper: end(limits.upper) }
    case 'upper':
      return { ...limits, unit: 'mm', upper: end(limits.upper) }
    case 'lower':
      return { ...limits, unit: 'mm', lower: end(limits.lower) }
    case 'figure':
      return { ...limits, unit: 'mm', figure: end(limits.figure) }
    case 'none':
      return { ...limits, unit: 'mm' }
  }
}

/** The slope, and the total it asks for. */
export function slopeWords(line: LearnedSlope, next: NextThickness, unit: Unit, entryUnit: LengthUnit): string {
  const step = systemOf(entryUnit) === 'inch' ? 'thou' : 'mm'
  const slope = formatFigure(line.slope * NM_PER[step], unit, { sign: true, unit: true })
  const total = formatLength(next.thickness, entryUnit)
  const how = line.from === undefined ? `${line.count} fittings with drag` : `By the slope of ${line.from}, widened by 30 %`
  if (next.thickness < 0) return `${how}: ${slope} per ${step} of pack. What is aimed at would take less than none here.`
  return `${how}: ${slope} per ${step} of pack. Aimed at with ${total} ± ${formatLength(next.U, entryUnit, { unit: true })} in all.`
}

/** What a film will do, by the slope of the pack it lies beside. @param sign  −1: it does what a thinner pack would; @param measured  as it is, bare */
export function filmOf(
  { slope, uSlope, nu }: LearnedSlope,
  thick: Nm,
  sign: number,
  {
    measured,
    limits,
    unit,
    entryUnit,
  }: { readonly measured: number | null; readonly limits: LimitSet | null; readonly unit: Unit; readonly entryUnit: LengthUnit },
): Film {
  const change = slope * sign * thick
  const U = coverageFactor(nu) * uSlope * thick
  const leaves = measured === null ? null : measured + change
  const ends = endsOf(limits)
  const out = leaves !== null && ends !== null && (leaves < ends.lower || leaves > ends.upper)
  const show = (value: number, sign_ = false) => formatFigure(value, unit, { unit: true, sign: sign_ })
  return {
    thickness: thick,
    change,
    U,
    leaves,
    out,
    words: `Measured bare: closed with a film of ${formatLength(thick, entryUnit, { unit: true })}, ${show(change, true)} ± ${show(U)} by the slope${
      leaves === null ? '' : `, so about ${show(leaves)}${out ? ', out of limits: allow for it' : ''}`
    }. Read it again sealed where that can be done.`,
  }
}

/** Do the fittings lie on one line, and the right way up? */
export function learnedLedger(
  all: readonly Fitting[],
  { line, points, none, unit }: Learned,
  place: PackPlace,
  thicknessOf: (one: Fitting) => number,
  lots: LotMap,
): Ledger {
  const entries = all.flatMap(({ id, number, pack, estimate, atMost, read }) =>
    pack === null || (estimate === null && atMost === null)
      ? []
      : [
          {
            id,
            number,
            total: thicknessOf({ id, number, pack, estimate, atMost }),
            own: packTotal(pack, lots),
            play: estimate?.value ?? atMost!,
            read: read ?? estimate?.value ?? atMost!,
            bound: estimate === null,
            base: null,
            u: estimate ? Math.sqrt(ownVariance(estimate.lines)) : 0,
          },
        ],
  )
  const said = (state: Ledger['state'], words: string, more: Partial<Ledger> = {}): Ledger => ({
    entries,
    state,
    base: null,
    apparentSlope: line?.slope ?? null,
    signDoubtful: false,
    suspect: null,
    piece: null,
    words,
    ...more,
  })
  if (entries.length === 0) return said('empty', 'No fitting measured yet.')
  const idle =
    none.length > 0 ? ` ${none.length === 1 ? 'One' : none.length} without drag: “no more than nothing”, kept out of the line.` : ''
  if (!line) return said('one', `${points.length === 1 ? 'One fitting with drag' : 'No fitting with drag yet'}: no slope yet.${idle}`)
  const tells = thicknessFor(line, 0) !== null
  if (tells && Math.sign(line.slope) !== chosenFor(place).perPiece)
    return said('disagree', 'The torque went the other way than the pack. Is the place right, was each pack what it is listed as?', {
      signDoubtful: true,
    })
  const odd = none.find(({ thickness: thick }) => !agreesWithNone(line, thick))
  if (odd)
    return said(
      'disagree',
      `A fitting at which nothing dragged lies where the line still has ${formatFigure(lineAt(line, odd.thickness), unit, { unit: true })}: repeat one.`,
    )
  if (!tells) return said('agree', `The slope of these fittings cannot be told from none: measure again, or fit a pack further off.${idle}`)
  const squares = points.reduce((sum, { value, thickness: thick }) => sum + (value - lineAt(line, thick)) ** 2, 0)
  const expected = line.byScatter ? Infinity : line.uNew ** 2 * (CHI_SQUARE_95[points.length - 2] ?? Infinity)
  if (points.length > 2 && squares > expected) return said('disagree', `These fittings do not lie on one line: repeat one.${idle}`)
  return said(
    'agree',
    line.from === undefined
      ? `${points.length} fittings give the slope.${idle}`
      : `${points.length === 1 ? 'One fitting' : `${points.length} fittings`} with drag: the slope is that of ${line.from}.${idle}`,
  )
}

/**
 * The finest step of these sizes, where it moves the figure by more than the limits are wide.
 * @returns a sentence, or null
 */
export function stepAgainstBand(learned: Learned, limits: LimitSet | null, drawer: readonly Lot[], unit: LengthUnit): string | null {
  const band = bandOf(limits)
  if (!learned.line || band === null || !endsOf(limits)) return null
  const sizes = [...new Set(drawer.filter(({ onHand }) => onHand > 0).map(thickness))].sort((a, b) => a - b)
  const steps = sizes.map((size, i) => size - (sizes[i - 1] ?? 0)).filter(step => step > 0)
  if (steps.length === 0) return null
  const finest = Math.min(...steps)
  const moved = finest * Math.abs(learned.line.slope)
  return moved > band
    ? `The next step is ${formatLength(finest, unit, { unit: true })}, that is ${formatFigure(moved, learned.unit, { unit: true })}: wider than the band of ${formatFigure(band, learned.unit, { unit: true })}. Order a finer one.`
    : null
}
