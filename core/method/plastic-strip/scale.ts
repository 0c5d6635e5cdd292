import { NM_PER, type UnitSystem } from '../../quantity/length'

/** The two printed sides of a scale: inch figures are whole tenths of a thou, metric ones whole micrometres. nm */
export function sideOf(sizes: readonly number[], system: UnitSystem): number[] {
  const step = system === 'inch' ? NM_PER.tenth : NM_PER.um
  const own = sizes.filter(size => size % step === 0)
  // A strip printed on one side only has that side on both.
  return own.length > 1 ? own : [...sizes]
}
/** The side a printed gap stands on. */
function sideWith(sizes: readonly number[], gap: number): readonly number[] {
  const own = sideOf(sizes, gap % NM_PER.um === 0 ? 'metric' : 'inch')
  return own.includes(gap) ? own : sizes
}

/**
 * Step of a printed scale at a gap, nm: between the marks either side of it; at a mark, the mean of its two steps. null when the
 * gap is off the scale.
 * @param sizes  gaps printed on the scale, nm, in any order
 */
export function scaleStep(sizes: readonly number[], gap: number): number | null {
  const marks = [...new Set(sideWith(sizes, gap))].sort((a, b) => a - b)
  if (marks.length < 2 || gap < marks[0]! || gap > marks.at(-1)!) return null
  const at = marks.indexOf(gap)
  if (at >= 0)
    return (marks[Math.min(at + 1, marks.length - 1)]! - marks[Math.max(at - 1, 0)]!) / (at === 0 || at === marks.length - 1 ? 1 : 2)
  const above = marks.findIndex(mark => mark > gap)
  return marks[above]! - marks[above - 1]!
}

/**
 * Squashed width for a gap and back: width × gap is the strip's cross-section, constant for a grade.
 * @param section  width × gap, nm²
 */
export const squashedWidth = (section: number, gap: number): number => section / gap

/** A mark of a printed scale: its gap, and its width where the scale's is known, nm. */
export interface ScaleMark {
  readonly gap: number
  readonly width: number | null
}

/**
 * The marks of a scale, narrowest gap and so widest first.
 * @param widest  printed width at the smallest gap, nm; null: not known
 */
export function scaleMarks(sizes: readonly number[], widest: number | null): ScaleMark[] {
  const gaps = [...new Set(sizes)].sort((a, b) => a - b)
  return gaps.map(gap => ({ gap, width: widest === null ? null : squashedWidth(widest * gaps[0]!, gap) }))
}

/** The mark whose printed width is nearest a measured one; null where the width is off the scale by more than half a step at its end. */
export function markFor(marks: readonly ScaleMark[], width: number): ScaleMark | null {
  const widths = marks.flatMap(mark => (mark.width === null ? [] : [mark.width]))
  if (widths.length < 2) return null
  const [first, second, last, before] = [widths[0]!, widths[1]!, widths.at(-1)!, widths.at(-2)!]
  if (width > first + (first - second) / 2 || width < last - (before - last) / 2) return null
  return marks.reduce((a, b) => (Math.abs(b.width! - width) < Math.abs(a.width! - width) ? b : a))
}

/** The grades sold everywhere, by colour: least and largest gap printed on either side, nm. Common practice: 0.025–0.076, 0.051–0.152, 0.102–0.229 mm; 0.001–0.003, 0.002–0.006, 0.004–0.009 in. */
export const GRADES = [
  { colour: 'green', low: 25_000, high: 76_200 },
  { colour: 'red', low: 50_800, high: 152_400 },
  { colour: 'blue', low: 101_600, high: 229_000 },
] as const

/** The thinnest grade whose range holds the limits; null when none does. nm */
export const gradeFor = (low: number, high: number): (typeof GRADES)[number] | null =>
  GRADES.find(grade => grade.low <= low && grade.high >= high) ?? null

/** Of these strips, the one whose printed range holds the limits most closely; null when none does. nm */
export function stripFor<Strip extends { readonly sizes: readonly number[] }>(
  strips: readonly Strip[],
  low: number,
  high: number,
): Strip | null {
  const span = ({ sizes }: Strip) => Math.max(...sizes) - Math.min(...sizes)
  return (
    strips
      .filter(({ sizes }) => sizes.length > 1 && Math.min(...sizes) <= low && Math.max(...sizes) >= high)
      .sort((a, b) => span(a) - span(b))[0] ?? null
  )
}
