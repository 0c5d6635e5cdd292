import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NM_PER } from '#core/quantity/length'
import { GRADES, gradeFor, markFor, scaleMarks, scaleStep, sideOf, squashedWidth } from '#core/method/plastic-strip/scale'

/** Grades of plastic gauging strip: common practice, no source. */
describe('plastic gauging strip', () => {
  it.each([
    ['green', 1, 3],
    ['red', 2, 6],
    ['blue', 4, 9],
  ])('%s reaches from 0.00%s to 0.00%s in, to the half thou the millimetres are rounded to', (colour, low, high) => {
    const grade = GRADES.find(candidate => candidate.colour === colour)!
    expect(Math.abs(grade.low - low * NM_PER.thou)).toBeLessThan(NM_PER.thou / 20)
    expect(Math.abs(grade.high - high * NM_PER.thou)).toBeLessThan(NM_PER.thou / 50)
  })
  it('the grade chosen holds the limits, and no thinner one does (property)', () =>
    fc.assert(
      fc.property(fc.integer({ min: 20_000, max: 240_000 }), fc.integer({ min: 0, max: 120_000 }), (low, band) => {
        const grade = gradeFor(low, low + band)
        const holding = GRADES.filter(candidate => candidate.low <= low && candidate.high >= low + band)
        expect(grade).toBe(holding[0] ?? null)
      }),
    ))
  it('twice the gap, half the width: the cross-section stays (property)', () =>
    fc.assert(
      fc.property(fc.integer({ min: 25_000, max: 229_000 }), gap => {
        expect(squashedWidth(8e10, 2 * gap)).toBeCloseTo(squashedWidth(8e10, gap) / 2, 6)
      }),
    ))
  it('a measured width finds the mark it is nearest to; off the scale it is another grade (property)', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 20_000, max: 230_000 }), { minLength: 3, maxLength: 8 }),
        fc.integer({ min: 1_000_000, max: 8_000_000 }),
        fc.integer({ min: 1, max: 9_000_000 }),
        (gaps, widest, width) => {
          const marks = scaleMarks(gaps, widest)
          for (const mark of marks) expect(mark.width! * mark.gap).toBeCloseTo(widest * marks[0]!.gap, -3)
          const found = markFor(marks, width)
          const nearest = Math.min(...marks.map(mark => Math.abs(mark.width! - width)))
          if (found) expect(Math.abs(found.width! - width)).toBe(nearest)
          else expect(width > marks[0]!.width! || width < marks.at(-1)!.width!).toBe(true)
          expect(markFor(marks, marks[1]!.width!)).toBe(marks[1])
        },
      ),
    ))
  it('a width is off the scale from half a step beyond its ends', () => {
    // Gaps 20, 40, 80 under a width of 8 at the first: widths 8, 4, 2.
    const marks = scaleMarks([20, 40, 80], 8)
    expect(marks.map(({ width }) => width)).toEqual([8, 4, 2])
    const at = (width: number) => markFor(marks, width)?.gap ?? null
    expect([10.1, 10, 8, 5.9, 3.1, 2, 1, 0.9].map(at)).toEqual([null, 20, 20, 40, 40, 80, 80, null])
  })
  it('an inch side has whole tenths of a thou, a metric one whole micrometres; printed on one side, that side is on both', () => {
    const both = [25_400, 38_100, 25_000, 38_000]
    expect([sideOf(both, 'inch'), sideOf(both, 'metric')]).toEqual([
      [25_400, 38_100],
      [25_000, 38_000],
    ])
    expect(sideOf([25_000, 38_000], 'inch')).toEqual([25_000, 38_000])
  })
  it('a step is that between its neighbours; at a mark the mean of two, at an end its own', () => {
    const step = (gap: number) => scaleStep([20, 40, 80], gap)
    // A scale printed on both sides: a mark’s step is that of the side it stands on.
    const both = [25_400, 50_800, 76_200, 25_000, 38_000, 51_000]
    expect([scaleStep(both, 50_800), scaleStep(both, 38_000)]).toEqual([25_400, 13_000])
    expect([20, 30, 40, 60, 80].map(step)).toEqual([20, 20, 30, 40, 40])
  })
  it('a scale of unknown widths has its marks, and finds none', () => {
    expect(scaleMarks([76, 25, 51, 51], null)).toEqual([
      { gap: 25, width: null },
      { gap: 51, width: null },
      { gap: 76, width: null },
    ])
    expect(markFor(scaleMarks([25, 51], null), 100)).toBeNull()
  })
  it('a step of the scale is never wider than its widest (property)', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 300 }), { minLength: 2, maxLength: 12 }),
        fc.integer({ min: 0, max: 310 }),
        (marks, gap) => {
          const sorted = [...marks].sort((a, b) => a - b)
          const widest = Math.max(...sorted.slice(1).map((mark, i) => mark - sorted[i]!))
          const step = scaleStep(marks, gap)
          expect(step === null).toBe(gap < sorted[0]! || gap > sorted.at(-1)!)
          expect(step ?? 0).toBeLessThanOrEqual(widest)
        },
      ),
    ))
})
