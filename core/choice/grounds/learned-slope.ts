import { mean, quadrature } from '../../reading/statistics'
import { coverageFactor } from '../../reading/student'

/** A fitting whose result was felt: so thick, so much. */
export interface SlopePoint {
  /** nm */
  readonly thickness: number
  /** what the thickness is known to, standard uncertainty, nm */
  readonly uThickness: number
  /** in its own small unit: nN·m for a torque */
  readonly value: number
  /** standard uncertainty of the value */
  readonly u: number
}

/** A slope an earlier service learned. */
export interface EarlierSlope {
  /** of the result, per nm */
  readonly slope: number
  /** standard uncertainty, as it was learned */
  readonly u: number
  /** where it was learned */
  readonly from: string
}
/** What a slope may differ by from one service to the next, of itself: bearings, grease, seals. Experience. */
const BETWEEN_SERVICES = 0.3

/** A straight line through fittings: what the result does when the pack gets thicker. */
export interface LearnedSlope {
  /** the slope of an earlier service, widened, through the fittings of this one; left out: these fittings gave it */
  readonly from?: string
  /** of the result, per nm of thickness */
  readonly slope: number
  readonly uSlope: number
  /** the middle of the fittings it rests on */
  readonly at: { readonly thickness: number; readonly value: number }
  readonly count: number
  /** of its interval; infinite where it comes from what the readings are known to */
  readonly nu: number
  /** the interval rests on the scatter about the line, being larger than the readings explain */
  readonly byScatter: boolean
  /** standard uncertainty of the line at a thickness */
  readonly u: (thickness: number) => number
  /** of a single new fitting about the line */
  readonly uNew: number
}

/** From so many fittings on their scatter says something. */
const SCATTER_FROM = 4

/**
 * The slope from two fittings or more that were felt; those without drag say only “no more than”, and are not fitted.
 *
 * Least squares; its interval from what readings and pieces are known to, or from four fittings on from the scatter, if that is larger
 * (JCGM 100:2008 H.3).
 * @returns null while there are not two thicknesses
 */
export function learnedSlope(points: readonly SlopePoint[]): LearnedSlope | null {
  const n = points.length
  if (n < 2) return null
  const at = { thickness: mean(points.map(({ thickness }) => thickness)), value: mean(points.map(({ value }) => value)) }
  const off = points.map(({ thickness }) => thickness - at.thickness)
  const sxx = off.reduce((sum, dx) => sum + dx * dx, 0)
  if (sxx === 0) return null
  const slope = points.reduce((sum, { value }, i) => sum + off[i]! * (value - at.value), 0) / sxx
  const known = points.map(({ u, uThickness }) => quadrature(u, slope * uThickness))
  const squares = points.reduce((sum, { value }, i) => sum + (value - at.value - slope * off[i]!) ** 2, 0)
  const scatter = n >= SCATTER_FROM ? Math.sqrt(squares / (n - 2)) : 0
  const typical = Math.sqrt(mean(known.map(u => u * u)))
  const byScatter = scatter > typical
  const each = byScatter ? known.map(() => scatter) : known
  // Each fitting’s share in the line at dx from the middle: 1/n + off·dx/Sxx.
  const lineAt = (dx: number) => quadrature(...off.map((own, i) => (1 / n + (own * dx) / sxx) * each[i]!))
  return {
    slope,
    uSlope: quadrature(...off.map((own, i) => (own / sxx) * each[i]!)),
    at,
    count: n,
    nu: byScatter ? n - 2 : Infinity,
    byScatter,
    u: thickness => lineAt(thickness - at.thickness),
    uNew: byScatter ? scatter : typical,
  }
}

/**
 * The line of the fittings themselves; or, while they show the slope less well than an earlier service did, that slope, widened by what
 * services differ, through the mean of the fittings that were felt.
 * @returns null where nothing was felt, or nothing shows a slope
 */
export function lineThrough(points: readonly SlopePoint[], earlier: EarlierSlope | null): LearnedSlope | null {
  const own = learnedSlope(points)
  if (!earlier || points.length === 0) return own
  const uSlope = quadrature(earlier.u, BETWEEN_SERVICES * earlier.slope)
  if (own && own.uSlope <= uSlope) return own
  const at = { thickness: mean(points.map(({ thickness }) => thickness)), value: mean(points.map(({ value }) => value)) }
  const each = Math.sqrt(mean(points.map(({ u, uThickness }) => u ** 2 + (earlier.slope * uThickness) ** 2)))
  return {
    from: earlier.from,
    slope: earlier.slope,
    uSlope,
    at,
    count: points.length,
    nu: Infinity,
    byScatter: false,
    u: thickness => quadrature(each / Math.sqrt(points.length), uSlope * (thickness - at.thickness)),
    uNew: each,
  }
}

/** A thickness with its expanded uncertainty at 95 %, nm. */
export interface NextThickness {
  readonly thickness: number
  readonly U: number
}

/** What the line gives at a thickness, for one new fitting: value, and U at 95 %. */
export function valueAt(line: LearnedSlope, thickness: number): { readonly value: number; readonly U: number } {
  const value = line.at.value + line.slope * (thickness - line.at.thickness)
  return { value, U: coverageFactor(line.nu) * quadrature(line.u(thickness), line.uNew) }
}

/**
 * The thickness at which the line comes to a value.
 * @returns null where the slope cannot be told from none: then only a direction can be given
 */
export function thicknessFor(line: LearnedSlope, value: number): NextThickness | null {
  const k = coverageFactor(line.nu)
  if (Math.abs(line.slope) <= k * line.uSlope) return null
  const thickness = line.at.thickness + (value - line.at.value) / line.slope
  return { thickness, U: (k * line.u(thickness)) / Math.abs(line.slope) }
}

/** Where the line ends: with less preload there is no drag to be measured, and it says nothing. */
export const dragEnds = (line: LearnedSlope, drag = 0): NextThickness | null => thicknessFor(line, drag)

/**
 * Does a fitting without drag agree with the line? It may not lie where the line still has some.
 * @param thickness  of the fitting in which nothing was felt, nm
 * @param drag  what would not be felt
 */
export function agreesWithNone(line: LearnedSlope, thickness: number, drag = 0): boolean {
  const { value, U } = valueAt(line, thickness)
  return value - U <= drag
}
